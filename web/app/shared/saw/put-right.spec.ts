import { ORDINARY_SAWS } from '@odontis/core/saw/ordinary-saws';
import type { ShopSpeech } from '@odontis/core/units/shop-speech';
import { putRight } from './put-right';
import { toldOf } from './told-of';

const INCHES: ShopSpeech = {
  lengthUnit: 'thou',
  pointConvention: 'points',
  rakeSpeech: 'signed',
  fleamSpeech: 'off-square',
};
const SPEECHES: readonly ShopSpeech[] = [INCHES, { ...INCHES, lengthUnit: 'mm', pointConvention: 'teeth' }];

describe('a saw’s data put right', () => {
  it('what nobody touched changes nothing, of every ordinary saw in either way of speaking', () => {
    for (const speech of SPEECHES)
      for (const { id, saw } of ORDINARY_SAWS) {
        const read = putRight(saw, toldOf(saw, speech), speech);
        expect(read.ok && !read.changed)
          .withContext(`${id} ${speech.lengthUnit}`)
          .toBeTrue();
        if (read.ok) expect(read.saw).withContext(id).toEqual(saw);
      }
  });

  it('one word changed is one datum changed, the others to their last digit', () => {
    for (const { id, saw } of ORDINARY_SAWS.filter((one) => one.saw.family !== 'dado')) {
      const odd = { ...saw, plateThicknessMm: saw.plateThicknessMm + 0.0123, toothLineMm: saw.toothLineMm };
      const told = toldOf(odd, INCHES);
      const read = putRight(odd, { ...told, told: { ...told.told, sawName: 'Grandfather’s' } }, INCHES);
      expect(read.ok && read.changed)
        .withContext(id)
        .toBeTrue();
      if (read.ok)
        expect(read.saw)
          .withContext(id)
          .toEqual({ ...odd, name: 'Grandfather’s' });
    }
  });

  it('what cannot be is said at its question', () => {
    const saw = ORDINARY_SAWS.find((one) => one.saw.family === 'hand')?.saw;
    if (!saw) throw new Error('no hand saw');
    const told = toldOf(saw, INCHES);
    const read = putRight(saw, { ...told, told: { ...told.told, thickness: 'thick' } }, INCHES);
    expect(read.ok).toBeFalse();
    if (!read.ok) expect([...read.faults.keys()]).toEqual(['thickness']);
  });
});
