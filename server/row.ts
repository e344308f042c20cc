/** A record as it lies in its table. */
export interface Row {
  readonly id: string;
  readonly revision: number;
  readonly created_at: number;
  readonly updated_at: number;
  readonly deleted_at: number | null;
  readonly body: string;
  readonly checked: string | null;
  readonly summary: string | null;
  readonly facts: string | null;
  readonly instrument_id: string | null;
}
