/// <reference lib="webworker" />
import type { GreyPicture } from '@odontis/core/trace/grey-picture';
import type { SeenCode } from '@odontis/core/photograph/find-strips';
import { glimpse } from '@odontis/core/photograph/glimpse';
import { readEdge } from '@odontis/core/photograph/read-edge';
import { readPhotograph } from '@odontis/core/photograph/read-photograph';
import { readRim } from '@odontis/core/photograph/read-rim';
import type { RimGrid } from '@odontis/core/trace/close-rim';
import { closeRim } from '@odontis/core/trace/close-rim';
import { mayBePhotograph, showsStrips } from '@odontis/core/photograph/see-marks';
import { believableDpi } from '@odontis/core/trace/picture-faults';
import { seeCodes } from '@odontis/core/photograph/see-codes';
import { traceTeeth } from '@odontis/core/trace/trace-teeth';
import { decodePicture, greyFrame } from './decode-picture';
import './own-code-reader';
import type { Opened, PictureWish, ScanAnswer, ScanWanted } from './picture-protocol';
import { smallJpeg, tilePixels } from './picture-tile';

let picture: GreyPicture | null = null;
/** How a round blade's rim was laid out in that picture. */
let rim: RimGrid | null = null;

/** A picture as it lies; one that shows measuring strips is a photograph, and is laid on a true grid. */
async function opened(file: Blob, wish: PictureWish, report: (share: number) => void): Promise<Opened> {
  [picture, rim] = [null, null];
  const decoded = await decodePicture(file, (share) => report(0.4 * share));
  if (!decoded.ok) return decoded;
  const { header } = decoded;
  // What says a scanner's resolution is a scan.
  const codes =
    believableDpi(header) === null && mayBePhotograph(decoded.picture) ? await codesOrNone(decoded.picture) : [];
  report(0.6);
  const onward = (share: number): void => report(0.6 + 0.4 * share);
  const headerOf = (laid: GreyPicture): typeof header => {
    picture = laid;
    return { ...header, widthPx: laid.widthPx, heightPx: laid.heightPx, dpi: null };
  };
  if (wish.edge) {
    const read = readEdge(decoded.picture, codes, { ...wish, edge: wish.edge }, onward);
    if (!read.ok) return { ok: false, code: read.code, header };
    const { ok: _, picture: laid, ...edge } = read;
    return { ok: true, header: headerOf(laid), photograph: null, edge };
  }
  if (wish.round) {
    const read = readRim(decoded.picture, codes, { ...wish, round: wish.round }, onward);
    if (!read.ok) return { ok: false, code: read.code, header };
    const { ok: _, picture: laid, rim: grid, ...photograph } = read;
    rim = grid;
    return { ok: true, header: headerOf(laid), photograph };
  }
  if (!showsStrips(codes)) {
    picture = decoded.picture;
    return { ok: true, header, photograph: null };
  }
  const read = readPhotograph(decoded.picture, codes, wish, onward);
  if (!read.ok) return { ok: false, code: read.code, header };
  const { ok: _, picture: laid, ...photograph } = read;
  return { ok: true, header: headerOf(laid), photograph };
}

/** A rim laid out has its points up and its faces to the right. */
const RIM_LIE = { rim: true, teethPoint: 'up', heel: 'left', cuts: 'push' } as const;

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
    const result = traceTeeth(picture, { ...data.wish, ...(rim && RIM_LIE), report });
    say({ id, is: 'traced', result: rim && result.ok ? { ...closeRim(result, rim), ok: true } : result });
  } else if (data.do === 'tile') {
    const pixels = picture && tilePixels(picture, data.tile);
    if (!pixels) say({ id, is: 'tile', bitmap: null });
    else void createImageBitmap(pixels).then((bitmap) => say({ id, is: 'tile', bitmap }, [bitmap]));
  } else if (data.do === 'keep') {
    void (picture ? smallJpeg(picture, data.longestPx) : Promise.resolve(null)).then((jpeg) =>
      say({ id, is: 'kept', jpeg }),
    );
  } else throw new TypeError('The scan worker opens, traces and shows pictures only.');
});
