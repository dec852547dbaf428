/** A step of the database's shape. SQL only: frozen once landed, importing no models. */
export interface Migration {
  readonly name: string;
  readonly up: string;
  readonly down: string;
}
