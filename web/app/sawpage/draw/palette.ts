/** The bench's colours as the canvas needs them, read from the sheet in force. */
const NAMES = {
  ink: '--ink',
  inkWash: '--ink-wash',
  steel: '--steel',
  steelBright: '--steel-bright',
  plate: '--plate',
  brass: '--brass',
  lead: '--lead',
  handle: '--handle',
  text: '--text',
  quiet: '--text-quiet',
  rule: '--rule',
  paper: '--paper',
} as const;

export type Palette = Readonly<Record<keyof typeof NAMES, string>>;

/** Resolve each token through a hidden element, since light-dark() is only settled in use. */
export function readPalette(host: HTMLElement): Palette {
  const probe = document.createElement('span');
  probe.style.display = 'none';
  host.appendChild(probe);
  const colours = Object.fromEntries(
    Object.entries(NAMES).map(([key, token]) => {
      probe.style.color = `var(${token})`;
      return [key, getComputedStyle(probe).color];
    }),
  );
  probe.remove();
  return colours as Palette;
}
