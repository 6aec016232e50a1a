/** Letters of the program: what was sent, and what is there to be copied. */
export function LetterList({
  rows,
}: {
  rows: { id: string; to: string; subject: string; body: string; state: string }[];
}) {
  return (
    <ul className="divide-base-300 divide-y">
      {rows.map(({ id, to, subject, body, state }) => (
        <li key={id} className="py-2">
          <p className="font-semibold">{subject}</p>
          <p className="text-quiet text-sm">
            To {to}. {state}
          </p>
          {body && (
            <details>
              <summary className="link min-h-11 py-2 text-sm">Show</summary>
              <pre className="bg-base-200 p-2 text-xs whitespace-pre-wrap">{body}</pre>
            </details>
          )}
        </li>
      ))}
    </ul>
  );
}
