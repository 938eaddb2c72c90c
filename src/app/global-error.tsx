'use client';

/** What is shown where even the frame of the page could not be made. */
export default function RootError({ reset }: { reset: () => void }) {
  return (
    <html lang="en">
      <body style={{ fontFamily: 'system-ui, sans-serif', margin: '48px' }}>
        <h1>Hodman stumbled</h1>
        <p>Nothing was changed. Look again; if it stays like this, restart it.</p>
        <button type="button" onClick={reset} style={{ font: 'inherit', padding: '12px 24px' }}>
          Look again
        </button>
      </body>
    </html>
  );
}
