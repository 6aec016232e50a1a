"use client";

interface Props {
  onKey: (key: string) => void;
  onBack: () => void;
}

const KEYS = ["7", "8", "9", "4", "5", "6", "1", "2", "3", ".", "0"];

/** Big keys for fingers with chalk on them. */
export function KeyPad({ onKey, onBack }: Props) {
  return (
    <div className="grid grid-cols-3 gap-2" role="group" aria-label="Number keys">
      {KEYS.map((key) => (
        <button key={key} type="button" className="btn btn-outline min-h-14 text-xl" onClick={() => onKey(key)}>
          {key}
        </button>
      ))}
      <button
        type="button"
        className="btn btn-outline min-h-14 text-xl"
        onClick={onBack}
        aria-label="Delete the last digit"
      >
        ⌫
      </button>
    </div>
  );
}
