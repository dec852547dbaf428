import type { Dossier } from '@odontis/contract/dossier';
import { testDossier } from './test-dossier';

/** A band on its ticket: a saw worked by hand and written down. */
export function bandDossier(stage: 'measure' | 'handover' | 'declined' = 'measure'): Dossier {
  const dossier = testDossier('measure');
  return {
    ...dossier,
    ticket: {
      ...dossier.ticket,
      stage,
      ...(stage === 'handover' && { workDone: 'Filed all round.', minutesTaken: 22 }),
    },
    saw: {
      id: 6,
      name: 'Narrow band',
      family: 'band',
      filing: 'rip',
      backFixing: 'none',
      set: 'alternate',
      marksOnIt: '',
      pitchMm: 6.35,
      convention: 'teeth',
      toothLineMm: 2560,
      plateThicknessMm: 0.6,
      plateDepthHeelMm: 13,
      plateDepthToeMm: 13,
    },
  };
}
