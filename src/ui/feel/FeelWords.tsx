import { type Feel, feelWords } from "@/core/feel/barNote";

/** What people say of a bar, in one line, with how many said so. */
export function FeelWords({ feel, of }: { feel: Feel; of?: string }) {
  return (
    <p className="text-sm">
      {of && <strong>{of}: </strong>}
      {feelWords(feel)}.
    </p>
  );
}
