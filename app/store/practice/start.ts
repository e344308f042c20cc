import { store } from '../index';
import { passesCame, roundsCame } from './log-api';
import { keepSending, passBox, roundBox } from './outbox';

/** The log's way to the server, once for the page: what was left by one that was closed first. */
export function startLog(): void {
  passBox.whenKept(() => store.dispatch(passesCame()));
  roundBox.whenKept(() => store.dispatch(roundsCame()));
  void Promise.all([passBox.keepLeft(), roundBox.keepLeft()]).then(keepSending);
}
