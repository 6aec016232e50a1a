import { CircleAlert, CircleDashed, CircleSlash, Eye } from "lucide-react";
import type { BarState } from "@/core/bars/bar";
import { Say } from "./shown";

const LOOK: Record<BarState, { text: string; className: string; Mark: typeof Eye | null }> = {
  "in-service": { text: "in service", className: "", Mark: null },
  watch: { text: "under watch", className: "text-accent font-semibold", Mark: Eye },
  quarantined: { text: "quarantined", className: "text-error font-semibold", Mark: CircleAlert },
  retired: { text: "retired", className: "text-quiet", Mark: CircleSlash },
  "on-order": { text: "on order", className: "text-quiet", Mark: CircleDashed },
};

/** The state of a bar as a word and a mark, never by colour alone. */
export function StateText({ state, reason }: { state: BarState; reason?: string | null }) {
  const { text, className, Mark } = LOOK[state];
  return (
    <span className={`inline-flex items-baseline gap-1 ${className}`}>
      {Mark && <Mark aria-hidden="true" className="size-3.5 shrink-0 translate-y-0.5" />}
      <span>
        {text}
        {reason && state !== "in-service" && (
          <span className="font-normal">
            : <Say text={reason} />
          </span>
        )}
      </span>
    </span>
  );
}
