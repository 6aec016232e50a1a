"use client";

interface Props {
  onKey: (key: string) => void;
  onBack: () => void;
  /** Inches are read in fractions. */
  hasFractions?: boolean;
  /** Turns the sign, where what is read may lie on either side of zero. */
  onSign?: (() => void) | null;
}

const KEYS = ["7", "8", "9", "4", "5", "6", "1", "2", "3", ".", "0"];
const KEY = "btn btn-outline min-h-14 text-xl";

/** Big keys for fingers with chalk on them. */
export function KeyPad({ onKey, onBack, hasFractions = false, onSign = null }: Props) {
  return (
    <div className="grid grid-cols-3 gap-2" role="group" aria-label="Number keys">
      {KEYS.map((key) => (
        <button key={key} type="button" className={KEY} onClick={() => onKey(key)}>
          {key}
        </button>
      ))}
      <button type="button" className={KEY} onClick={onBack} aria-label="Delete the last digit">
        ⌫
      </button>
      {hasFractions && (
        <>
          <button type="button" className={KEY} onClick={() => onKey(" ")} aria-label="Space before a fraction">
            ␣
          </button>
          <button type="button" className={KEY} onClick={() => onKey("/")} aria-label="Fraction bar">
            /
          </button>
        </>
      )}
      {onSign && (
        <button type="button" className={KEY} onClick={onSign} aria-label="Plus or minus">
          ±
        </button>
      )}
    </div>
  );
}
