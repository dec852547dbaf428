/// <reference lib="webworker" />
import type { GreyPicture } from '@odontis/core/trace/grey-picture';
import { traceTeeth } from '@odontis/core/trace/trace-teeth';
import { decodePicture } from './decode-picture';
import type { ScanAnswer, ScanWanted } from './scan-protocol';
import { tilePixels } from './scan-tile';

let picture: GreyPicture | null = null;

const say = (answer: ScanAnswer, transfer: Transferable[] = []): void => postMessage(answer, { transfer });

addEventListener('message', ({ data }: MessageEvent<ScanWanted>) => {
  const { id } = data;
  const report = (share: number): void => say({ id, is: 'progress', share });
  if (data.do === 'open') {
    void decodePicture(data.file, report).then((decoded) => {
      picture = decoded.ok ? decoded.picture : null;
      const { header } = decoded;
      say({
        id,
        is: 'opened',
        opened: decoded.ok ? { ok: true, header: decoded.header } : { ok: false, code: decoded.code, header },
      });
    });
  } else if (data.do === 'trace') {
    if (!picture) throw new TypeError('No picture is open to be traced.');
    say({ id, is: 'traced', result: traceTeeth(picture, { ...data.wish, report }) });
  } else if (data.do === 'tile') {
    const pixels = picture && tilePixels(picture, data.tile);
    if (!pixels) say({ id, is: 'tile', bitmap: null });
    else void createImageBitmap(pixels).then((bitmap) => say({ id, is: 'tile', bitmap }, [bitmap]));
  } else throw new TypeError('The scan worker opens, traces and shows pictures only.');
});
