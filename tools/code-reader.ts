import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { prepareZXingModule } from 'zxing-wasm/reader';

const require = createRequire(import.meta.url);

/** Tells the reader of codes where its program lies; nothing is fetched. */
export async function readyForCodes(): Promise<void> {
  const { buffer, byteOffset, byteLength } = readFileSync(require.resolve('zxing-wasm/reader/zxing_reader.wasm'));
  const wasmBinary = buffer.slice(byteOffset, byteOffset + byteLength) as ArrayBuffer;
  await prepareZXingModule({ overrides: { wasmBinary }, fireImmediately: true });
}
