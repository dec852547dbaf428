import type { NotFromHere } from '@odontis/core/work/from-here';

/** Why a plan cannot be made from where the saw is, in a sentence with what would be right. */
export function notFromHereSays(no: NotFromHere, length: (mm: number) => string): string {
  switch (no.code) {
    case 'jointed-deeper':
      return `Tooth ${no.tooth} is jointed already, ${length(no.byMm)} below what this would leave: plan as deep as it was jointed, or deeper.`;
    case 'set-taken-out':
      return 'Its set was taken out at the vise: it cannot be kept. Choose to set it anew.';
    case 'teeth-filed-off':
      return 'Its old teeth are filed off: only new ones can be planned.';
  }
}
