import type { Unsent } from "./outbox";

interface Props {
  waiting: readonly Unsent[];
  isCutOff: boolean;
  refused: readonly { label: string; message: string }[];
  forget: () => void;
}

/** How a floor screen stands with the server; nothing while all is well. */
export function ConnectionNote({ waiting, isCutOff, refused, forget }: Props) {
  return (
    <div className="no-print text-sm" role="status">
      {isCutOff && (
        <p className="border-accent border-l-8 pl-3">
          <strong className="text-accent">No connection.</strong>{" "}
          {waiting.length === 0
            ? "Carry on: what you touch is saved on this device and sent when the connection is back."
            : `${waiting.length} ${waiting.length === 1 ? "touch is" : "touches are"} saved on this device and waiting to sync.`}
        </p>
      )}
      {refused.length > 0 && (
        <div className="border-error mt-1 border-l-8 pl-3">
          <strong className="text-error">Not saved:</strong>
          <ul>
            {refused.map(({ label, message }, i) => (
              <li key={i}>
                {label}: {message}
              </li>
            ))}
          </ul>
          <button type="button" className="btn btn-sm btn-outline" onClick={forget}>
            Dismiss
          </button>
        </div>
      )}
    </div>
  );
}
