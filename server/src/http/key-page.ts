/**
 * The page that asks for the key: without scripts, and of itself alone.
 *
 * @param to path to go on to
 * @param nonce of its answer, for its styles
 */
export function keyPage(to: string, problem: string, nonce: string): string {
  return `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <meta name="viewport" content="width=device-width, initial-scale=1" />
    <title>Hashira: key</title>
    <style nonce="${nonce}">${look}</style>
  </head>
  <body>
    <main>
      <h1>Hashira</h1>
      <form method="post" action="/key">
        <p><label for="key">Key of this server</label></p>
        <p><input id="key" name="key" type="password" autocomplete="current-password" required autofocus /></p>
        <input name="to" type="hidden" value="${escaped(to)}" />
        ${problem === '' ? '' : `<p role="alert">${escaped(problem)}</p>`}
        <p><button type="submit">Enter</button></p>
      </form>
    </main>
  </body>
</html>
`;
}

const look = `
      body { margin: 0; background: #f7f4ec; color: #22252b; font: 16px/1.4 sans-serif; }
      main { max-width: 22rem; margin: 15vh auto 0; padding: 1.5rem; background: #fffdf8; border: 1px solid #c9c5b9; }
      h1 { margin: 0 0 1rem; font-size: 1.25rem; font-weight: 400; letter-spacing: 0.05em; }
      input { width: 100%; box-sizing: border-box; padding: 0.4rem; border: 1px solid #8a8678; font: inherit; }
      button { padding: 0.4rem 1.2rem; border: 0; background: #2b4c8c; color: #fffdf8; font: inherit; }
      :focus-visible { outline: 2px solid #2b4c8c; outline-offset: 2px; }
      [role='alert'] { padding-left: 0.6rem; border-left: 4px solid #b03a24; }
    `;

const signs: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => signs[sign]!);
