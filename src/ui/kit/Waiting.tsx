interface Props {
  /** What is being worked out: "Weighing 11 offers …" */
  word: string;
  /** What it may take. */
  ms: number;
  className?: string;
}

/** Says what is being worked out and how much of its time is gone; the bar moves by style alone, before any script. */
export function Waiting({ word, ms, className = "" }: Props) {
  return (
    <div className={className}>
      <p role="status" className="text-lg">
        {word}
      </p>
      <div className="bg-base-300 mt-2 h-1.5 max-w-md overflow-hidden rounded-full" aria-hidden="true">
        <div className="waiting bg-primary h-full origin-left" style={{ animationDuration: `${ms}ms` }} />
      </div>
      <p className="text-quiet text-sm">At most {Math.round(ms / 1000)} s.</p>
    </div>
  );
}
