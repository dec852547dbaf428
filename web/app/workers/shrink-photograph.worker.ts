/// <reference lib="webworker" />
import { shrinkPhotograph } from './shrink-photograph';
import type { ShrinkWanted } from './shrink-protocol';

addEventListener('message', ({ data }: MessageEvent<ShrinkWanted>) => {
  if (!(data.picture instanceof Blob)) throw new TypeError('The shrinking worker takes pictures only.');
  void shrinkPhotograph(data).then((answer) => postMessage(answer));
});
