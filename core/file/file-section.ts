/**
 * Files by their cross-section. `sectionDeg` is the angle between the two
 * working faces that meet in the corner lying in the gullet; null for a file
 * that works with one flat face alone.
 */
export const FILE_SECTIONS = ['taper', 'feather', 'square', 'mill'] as const;
export type FileSectionId = (typeof FILE_SECTIONS)[number];

export interface FileSection {
  readonly id: FileSectionId;
  readonly name: string;
  readonly sectionDeg: number | null;
  readonly usedFor: string;
}

/**
 * The four sections of this bench. 60 and 90 degrees are plane geometry of the
 * triangle and the square; the feather file's edge is from memory of tool
 * catalogues and is measured where it matters.
 */
export const SECTIONS: Record<FileSectionId, FileSection> = {
  taper: { id: 'taper', name: 'triangular taper file', sectionDeg: 60, usedFor: 'western saws and bands' },
  feather: { id: 'feather', name: 'thin diamond-section file', sectionDeg: 22, usedFor: 'pull saws' },
  square: { id: 'square', name: 'square file', sectionDeg: 90, usedFor: 'raker gullets' },
  mill: {
    id: 'mill',
    name: 'flat mill file',
    sectionDeg: null,
    usedFor: 'jointing, rakers, cutters one face at a time',
  },
};

/** The angle in a gullet's corner; RangeError for a file that has none. Degrees. */
export function cornerDeg(section: FileSectionId): number {
  const deg = SECTIONS[section].sectionDeg;
  if (deg === null) throw new RangeError('A mill file has no corner: it files one face at a time.');
  return deg;
}
