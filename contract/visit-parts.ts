import type { Dossier } from './dossier';
import type { Stage } from './ticket';

/** Of a visit's other saws what is gone home already, what can go now, and what stays; in a sentence each. Empty of a saw that came alone. */
export function visitSays(cameWith: Dossier['cameWith']): string[] {
  const of = (...stages: Stage[]): string =>
    cameWith
      .filter(({ stage }) => stages.includes(stage))
      .map(({ number, saw }) => `no. ${number}, ${saw}`)
      .join('; ');
  const rows: readonly (readonly [string, string])[] = [
    ['Of the same visit can go home too', of('handover')],
    ['Of the same visit stays here still', of('measure', 'plan', 'bench', 'check')],
    ['Of the same visit went before', of('closed', 'declined')],
  ];
  return rows.filter(([, saws]) => saws !== '').map(([head, saws]) => `${head}: ${saws}`);
}
