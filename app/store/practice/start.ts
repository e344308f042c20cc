import { store } from '../index';
import { passesCame } from './log-api';
import { keepSending, whenKept } from './outbox';
import { logLeft } from './pass';

/** The log's way to the server, once for the page: what was left by one that was closed first. */
export function startLog(): void {
  whenKept(() => store.dispatch(passesCame()));
  void logLeft().then(keepSending);
}
