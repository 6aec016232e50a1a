/** What happened at the doors, newest first. */
export function AccountLogTable({
  rows,
  csv,
}: {
  rows: { id: string; at: string; what: string; who: string; from: string }[];
  csv: string;
}) {
  if (rows.length === 0) return <p className="text-quiet">Nothing yet.</p>;
  return (
    <>
      <div className="max-h-96 overflow-auto" tabIndex={0} role="region" aria-label="What happened, newest first">
        <table className="table-sm table">
          <thead className="text-base-content">
            <tr>
              <th scope="col">When</th>
              <th scope="col">Who</th>
              <th scope="col">What</th>
              <th scope="col">From</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ id, at, what, who, from }) => (
              <tr key={id}>
                <td className="whitespace-nowrap tabular-nums">{at}</td>
                <td>{who}</td>
                <td>{what}</td>
                <td className="text-quiet text-xs">{from}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <a href={csv} className="btn btn-outline mt-3" download>
        Export as CSV
      </a>
    </>
  );
}
