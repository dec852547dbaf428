/// <reference lib="webworker" />
import type { GreyPicture } from '@odontis/core/trace/grey-picture';
import type { PhotographWish } from '@odontis/core/photograph/read-photograph';
import type { SeenCode } from '@odontis/core/photograph/find-strips';
import { glimpse } from '@odontis/core/photograph/glimpse';
import { mayBePhotograph, readPhotograph, showsStrips } from '@odontis/core/photograph/read-photograph';
import { believableDpi } from '@odontis/core/trace/picture-faults';
import { seeCodes } from '@odontis/core/photograph/see-codes';
import { traceTeeth } from '@odontis/core/trace/trace-teeth';
import { decodePicture, greyFrame } from './decode-picture';
import './own-code-reader';
import type { Opened, ScanAnswer, ScanWanted } from './scan-protocol';
import { tilePixels } from './scan-tile';

let picture: GreyPicture | null = null;

/** A picture as it lies; one that shows measuring strips is a photograph, and is laid on a true grid. */
async function opened(file: Blob, wish: PhotographWish, report: (share: number) => void): Promise<Opened> {
  picture = null;
  const decoded = await decodePicture(file, (share) => report(0.4 * share));
  if (!decoded.ok) return decoded;
  const { header } = decoded;
  // What says a scanner's resolution is a scan.
  const codes =
    believableDpi(header) === null && mayBePhotograph(decoded.picture) ? await codesOrNone(decoded.picture) : [];
  report(0.6);
  if (!showsStrips(codes)) {
    picture = decoded.picture;
    return { ok: true, header, photograph: null };
  }
  const read = readPhotograph(decoded.picture, codes, wish, (share) => report(0.6 + 0.4 * share));
  if (!read.ok) return { ok: false, code: read.code, header };
  const { ok: _, picture: laid, ...photograph } = read;
  picture = laid;
  return { ok: true, header: { ...header, widthPx: laid.widthPx, heightPx: laid.heightPx, dpi: null }, photograph };
}

/** Where the reader of codes does not start, a picture is taken for a scan, as before there were strips. */
const codesOrNone = (of: GreyPicture): Promise<SeenCode[]> => seeCodes(of).catch(() => []);

const say = (answer: ScanAnswer, transfer: Transferable[] = []): void => postMessage(answer, { transfer });

addEventListener('message', ({ data }: MessageEvent<ScanWanted>) => {
  const { id } = data;
  const report = (share: number): void => say({ id, is: 'progress', share });
  if (data.do === 'open') {
    void opened(data.file, data.wish, report).then((answer) => say({ id, is: 'opened', opened: answer }));
  } else if (data.do === 'glimpse') {
    const frame = greyFrame(data.frame);
    void codesOrNone(frame).then((codes) => say({ id, is: 'glimpsed', glimpse: glimpse(frame, codes, data.pitchMm) }));
  } else if (data.do === 'trace') {
    if (!picture) throw new TypeError('No picture is open to be traced.');
    say({ id, is: 'traced', result: traceTeeth(picture, { ...data.wish, report }) });
  } else if (data.do === 'tile') {
    const pixels = picture && tilePixels(picture, data.tile);
    if (!pixels) say({ id, is: 'tile', bitmap: null });
    else void createImageBitmap(pixels).then((bitmap) => say({ id, is: 'tile', bitmap }, [bitmap]));
  } else throw new TypeError('The scan worker opens, traces and shows pictures only.');
});
