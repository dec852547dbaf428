/// <reference lib="webworker" />
import { readBarcodes } from 'zxing-wasm/reader';
import './own-code-reader';
import type { CodeRead, CodeWanted } from './read-code-protocol';

addEventListener('message', ({ data }: MessageEvent<CodeWanted>) => {
  if (!(data.picture instanceof ImageData)) throw new TypeError('The reading worker takes pictures only.');
  void readBarcodes(data.picture, { formats: ['QRCode'], tryHarder: true, maxNumberOfSymbols: 1 })
    .then((found): CodeRead => ({ id: data.id, text: found[0]?.text ?? null }))
    .then((answer) => postMessage(answer));
});
