interface Door {
  readonly nonce: string;
  /** Where to after it. */
  readonly to: string;
  /** A code from the Household screen: no PIN is asked. */
  readonly ticket?: string | undefined;
  readonly name?: string;
  readonly wrong?: string;
  readonly status?: number;
}

const SIGNS: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' };
const safe = (text: string): string => text.replace(/[&<>"']/g, (sign) => SIGNS[sign] ?? sign);

const STYLE = `
/* The house's own colours (ui/theme/tokens.css), by what the device prefers: nobody has said otherwise here yet. */
:root { color-scheme: light dark; --paper: #f5f0e4; --ink: #1f2b2a; --press: #ab4611; --on: #fff; --line: #56625e; --bad: #9b1740; }
@media (prefers-color-scheme: dark) { :root { --paper: #18201f; --ink: #f1eadb; --press: #f08a4b; --on: #18201f;
  --line: #b3b9ae; --bad: #f0839f; } }
body { margin: 0; min-height: 100vh; display: grid; place-items: center; background: var(--paper); color: var(--ink);
  font: 1.125rem/1.5 system-ui, sans-serif; }
form { display: grid; gap: 1rem; width: min(22rem, 100vw - 3rem); }
h1 { font-size: 1.75rem; margin: 0; }
label { display: grid; gap: .25rem; }
input { font: inherit; padding: .75rem; border: 1px solid var(--line); border-radius: 3px; background: transparent;
  color: inherit; }
button { font: inherit; font-weight: 600; padding: .875rem; border: 0; border-radius: 3px; background: var(--press);
  color: var(--on); min-height: 56px; }
:is(input, button):focus-visible { outline: 3px solid var(--line); outline-offset: 2px; }
::placeholder { color: var(--line); opacity: 1; }
[role=alert] { color: var(--bad); margin: 0; }
p { margin: 0; }`;

/**
 * The page before the house. It stands by itself: whoever is not in gets nothing of the house, not even what its pages are drawn
 * with, and an old phone needs no script for it.
 */
export const doorPage = ({ nonce, to, ticket, name = '', wrong, status = 200 }: Door): Response =>
  new Response(
    `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<!-- Without a referrer a form says its origin is "null", and only a page of this house is listened to. -->
<meta name="referrer" content="same-origin">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Come in · Hodman</title>
<style nonce="${safe(nonce)}">${STYLE}</style>
</head>
<body>
<main>
<form method="post" action="/door">
<h1>Come in</h1>
${wrong === undefined ? '' : `<p role="alert">${safe(wrong)}</p>`}
${
  ticket === undefined
    ? '<label>PIN of this household <input name="pin" type="password" inputmode="numeric" autocomplete="current-password" maxlength="64" required autofocus></label>'
    : `<input type="hidden" name="ticket" value="${safe(ticket)}"><p>The code on the screen lets this device in.</p>`
}
<label>What is this device called? <input name="name" autocomplete="off" maxlength="40" placeholder="a phone" value="${safe(name)}"></label>
<input type="hidden" name="to" value="${safe(to)}">
<button type="submit">Come in</button>
</form>
</main>
</body>
</html>
`,
    { status, headers: { 'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-store' } },
  );
