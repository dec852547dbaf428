/// <reference lib="webworker" />
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader';
import wasmUrl from 'zxing-wasm/reader/zxing_reader.wasm';
import type { CodeRead, CodeWanted } from './read-code-protocol';

// Our own copy: without this it would be fetched from outside.
void prepareZXingModule({ overrides: { locateFile: () => new URL(wasmUrl, location.href).href } });

addEventListener('message', ({ data }: MessageEvent<CodeWanted>) => {
  if (!(data.picture instanceof ImageData)) throw new TypeError('The reading worker takes pictures only.');
  void readBarcodes(data.picture, { formats: ['QRCode'], tryHarder: true, maxNumberOfSymbols: 1 })
    .then((found): CodeRead => ({ id: data.id, text: found[0]?.text ?? null }))
    .then((answer) => postMessage(answer));
});
