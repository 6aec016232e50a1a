/** What can happen with a bar, from the gravest on. */
export const INCIDENT_KINDS = ["hurt", "dropped", "near-miss"] as const;
export type IncidentKind = (typeof INCIDENT_KINDS)[number];

export const INCIDENT_WORDS: Record<IncidentKind, string> = {
  hurt: "someone was hurt",
  dropped: "a bar fell or tipped",
  "near-miss": "a near miss",
};

/** What happened with a bar, as it is recorded. */
export interface NewIncident {
  /** Made by the screen, once for each incident. */
  key: string;
  tag: string;
  kind: IncidentKind;
  note: string;
  setup?: string;
  /** Total on the bar. */
  loadKg?: number;
  /** Base64. */
  photo?: string;
}
