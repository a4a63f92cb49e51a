/** The page that asks for the key: without scripts, and of itself alone. */
export function keyPage(to: string, problem: string): string {
  return `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <meta name="viewport" content="width=device-width, initial-scale=1" />
    <title>Hashira: key</title>
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

const signs: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => signs[sign]!);
