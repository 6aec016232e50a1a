import { PAPERS, type PaperName } from "@/papers";

/** Runs in a server thread of its own: laying out a paper takes half a second in which nobody else would be answered. */
export default function draw({ paper, shown }: { paper: PaperName; shown: unknown[] }): Promise<Uint8Array> {
  return (PAPERS[paper] as (...shown: unknown[]) => Promise<Uint8Array>)(...shown);
}
