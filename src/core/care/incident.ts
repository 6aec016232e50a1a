/** What can happen with a bar, from the gravest on. */
export const INCIDENT_KINDS = ["hurt", "dropped", "near-miss"] as const;
export type IncidentKind = (typeof INCIDENT_KINDS)[number];

export const INCIDENT_WORDS: Record<IncidentKind, string> = {
  hurt: "somebody was hurt",
  dropped: "a bar fell or tipped",
  "near-miss": "a near miss",
};
