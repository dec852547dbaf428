import { flatRoundMm, USUAL_RELIEF_DEG } from '../../../circular/joint-round';
import { fileOnEdge } from '../../../file/file-on-edge';
import { ordinarySaw } from '../../../saw/ordinary-saws';
import { degrees } from '../../../units/radians';
import { plainFacts } from '../../plain-facts';
import { bladeEdgeAt } from './edge-work';
import { circularWork } from './work';

describe('a blade’s tooth filed by face and back', () => {
  const blade = ordinarySaw('blade-crosscut');
  const studied = circularWork.study(plainFacts(blade, []), circularWork.plain);
  if (!studied.ok) throw new Error(studied.says);
  const { round, steps } = circularWork.order(studied.study, null);
  if (round?.family !== 'circular') throw new Error('No blade.');
  const known = { ...round, inputs: { ...round.inputs, hookDeg: 12, gulletMm: 8 } };

  it('stands by its measured hook and the usual relief, its flat as wide as a joint of its depth leaves it', () => {
    for (const step of steps.filter(({ kind }) => kind === 'round')) {
      const stop = { ...(step.stops[0] as (typeof step.stops)[number]), flatMm: flatRoundMm(0.1, 12) };
      const edge = bladeEdgeAt(known, step, stop);
      const [own = []] = edge?.work.teeth ?? [];
      const [, back, from, to, foot] = own;
      if (!edge || !back || !from || !to || !foot) throw new Error('Nothing is drawn.');
      const flat = flatRoundMm(0.1, 12);
      expect(to[0] - from[0]).toBeCloseTo(step.edge === 'face' ? 2 * flat : flat, 9);
      expect(degrees(Math.atan2(to[0] - foot[0], to[1] - foot[1]))).toBeCloseTo(12, 9);
      expect(degrees(Math.atan2(from[1] - back[1], from[0] - back[0]))).toBeCloseTo(USUAL_RELIEF_DEG, 9);
      expect(edge.pitchMm).toBeCloseTo((Math.PI * known.inputs.saw.diameterMm) / known.inputs.teeth, 9);
      const { after } = fileOnEdge(edge.work);
      // The file goes into the edge that this step is of, and no other.
      const right = Math.max(...after.map(([x]) => x));
      const top = Math.max(...after.map(([, y]) => y));
      const level = after.filter(([, y]) => Math.abs(y) < 1e-9).map(([x]) => x);
      const left = Math.max(...level) - Math.min(...level);
      // By its face half of the flat goes, by its back the rest.
      if (step.edge === 'face') expect(right).toBeCloseTo(-flat, 9);
      expect(left).toBeCloseTo(step.edge === 'face' ? flat : 0, 9);
      expect(top).toBeLessThan(1e-9);
    }
    expect(steps.filter(({ kind }) => kind === 'round').length).toBeGreaterThan(1);
  });

  it('draws nothing where hook or gullet was not measured, and nothing of other steps', () => {
    const faces = steps.find(({ kind }) => kind === 'round');
    const stop = faces?.stops[0];
    if (!faces || !stop) throw new Error('No faces are filed.');
    expect(bladeEdgeAt({ ...known, inputs: { ...known.inputs, hookDeg: null } }, faces, stop)).toBeNull();
    expect(bladeEdgeAt({ ...known, inputs: { ...known.inputs, gulletMm: null } }, faces, stop)).toBeNull();
    const set = steps.find(({ kind }) => kind === 'set') ?? { ...faces, kind: 'set' as const };
    expect(bladeEdgeAt(known, set, stop)).toBeNull();
  });
});
