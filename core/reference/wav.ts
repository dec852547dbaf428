/** Samples of about 1 at their loudest as a WAV file of 16 bits, mono; for tests and pictures. */
export function wavOf(samples: Float32Array, rate: number): Uint8Array {
  const bytes = new Uint8Array(44 + 2 * samples.length);
  const view = new DataView(bytes.buffer);
  const words = (at: number, text: string): void =>
    bytes.set(
      [...text].map((sign) => sign.charCodeAt(0)),
      at,
    );
  words(0, 'RIFF');
  view.setUint32(4, 36 + 2 * samples.length, true);
  words(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, 2 * rate, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  words(36, 'data');
  view.setUint32(40, 2 * samples.length, true);
  samples.forEach((value, i) => view.setInt16(44 + 2 * i, Math.round(32_767 * Math.max(-1, Math.min(1, value))), true));
  return bytes;
}
