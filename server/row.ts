/** A record as it lies in its table. */
export interface Row {
  id: string;
  revision: number;
  created_at: number;
  updated_at: number;
  deleted_at: number | null;
  body: string;
  checked: string | null;
  summary: string | null;
  facts: string | null;
  instrument_id: string | null;
}
