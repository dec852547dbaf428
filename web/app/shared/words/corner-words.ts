/** Corners of files, as exactly as they are known. */
export function sayCorners(n: number): string {
  const said = Math.abs(n) < 10 ? Math.round(10 * n) / 10 : Math.round(n);
  if (n > 0 && said === 0) return 'less than a tenth of a corner';
  return `${said} ${said === 1 ? 'corner' : 'corners'}`;
}
