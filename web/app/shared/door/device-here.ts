/** What this screen may be called until somebody calls it otherwise. */
export function deviceHere({ userAgent, maxTouchPoints }: Navigator = navigator): string {
  if (/iPhone|Android.+Mobile/.test(userAgent)) return 'Telephone';
  if (/iPad|Android|Tablet/.test(userAgent) || (maxTouchPoints > 1 && /Macintosh/.test(userAgent))) return 'Tablet';
  return 'Screen in the shop';
}
