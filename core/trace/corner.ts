/** A tip or a gullet of the outline, in whole pixels: column, and rise over the band's curve. */
export interface Corner {
  readonly x: number;
  readonly rise: number;
}
