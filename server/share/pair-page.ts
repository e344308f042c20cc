import { html } from 'hono/html';
import { MOST_DEVICE_NAME } from '../../contract';

export interface PairWords {
  readonly status: 403 | 429;
  readonly words: string;
}

interface Asked {
  /** As the square code told it; empty where it is typed. */
  readonly code: string;
  readonly encrypted: boolean;
  /** What the browser calls itself. */
  readonly agent: string;
  readonly said: string | undefined;
}

const guess = (agent: string): string =>
  /iPad|Tablet|Android(?!.*Mobile)/i.test(agent) ? 'tablet' : /iPhone|Mobile/i.test(agent) ? 'phone' : 'computer';

/** The page that asks for the code: plain HTML, so that it works in any browser and needs nothing that is behind the gate. */
export const pairPage = ({ code, encrypted, agent, said }: Asked) =>
  html`<!doctype html>
    <html lang="en">
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="robots" content="noindex" />
        <title>Let this device in: Crow Ladder</title>
        <link rel="icon" href="data:," />
        <link rel="stylesheet" href="/pair.css" />
      </head>
      <body>
        <main>
          <h1>Let this device in</h1>
          <p>The code stands on the computer that Crow Ladder runs on: in the window it was started in, and under Settings.</p>
          ${said ? html`<p role="alert">${said}</p>` : ''}
          <form method="post" action="/pair">
            <label for="code">Code</label>
            <input
              id="code"
              name="code"
              value="${code.slice(0, 20)}"
              required
              maxlength="20"
              autocomplete="off"
              autocapitalize="characters"
              spellcheck="false"
              autofocus
            />
            <label for="name">What you call this device</label>
            <input id="name" name="name" value="${guess(agent)}" required maxlength="${MOST_DEVICE_NAME}" autocomplete="off" />
            <button>Let it in</button>
          </form>
          ${encrypted ? '' : html`<p class="small">This connection is not encrypted: others on the same network can read along. Use it on a network you trust.</p>`}
        </main>
      </body>
    </html>`;

export const PAIR_CSS = `:root { color-scheme: light dark; --paper: #f1ede2; --sheet: #fbf8ef; --ink: #1d1f24; --soft: #55524a; --line: #b9b3a2; --clay: #9c3b24; --brass: #c28a25; }
@media (prefers-color-scheme: dark) { :root { --paper: #191a1f; --sheet: #25262c; --ink: #f0ebdf; --soft: #b9b5aa; --line: #55575f; --clay: #f08a70; } }
* { box-sizing: border-box; }
body { margin: 0; background: var(--paper); color: var(--ink); font: 1.0625rem/1.5 system-ui, sans-serif; }
main { max-width: 26rem; margin: 8vh auto; padding: 1.5rem; background: var(--sheet); border: 1px solid var(--line); border-radius: 0.75rem; }
h1 { margin: 0 0 0.5rem; font-size: 1.5rem; }
p { margin: 0 0 1rem; }
[role='alert'] { color: var(--clay); font-weight: 600; }
form { display: grid; gap: 0.375rem; }
label { color: var(--soft); font-size: 0.9375rem; }
input { font: inherit; color: inherit; background: var(--paper); border: 1px solid var(--line); border-radius: 0.5rem; padding: 0.625rem 0.75rem; min-height: 2.75rem; margin-bottom: 0.5rem; }
#code { font-size: 1.5rem; letter-spacing: 0.12em; text-transform: uppercase; }
button { font: inherit; font-weight: 600; min-height: 2.75rem; border: 0; border-radius: 0.5rem; background: var(--brass); color: #1d1f24; cursor: pointer; }
:focus-visible { outline: 3px solid #3c8790; outline-offset: 2px; }
.small { margin: 1rem 0 0; font-size: 0.875rem; color: var(--soft); }
@media (max-width: 28rem) { main { margin: 0; min-height: 100vh; border: 0; border-radius: 0; } }
`;
