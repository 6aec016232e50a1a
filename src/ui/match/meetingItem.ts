import type { MeetingSpec } from "@/core/matching/meetingSpec";

/** Rules of a federation for some lifts. */
export interface MeetingItem {
  /** Null for rules that come with the program. */
  id: string | null;
  version: number;
  rules: string;
  lifts: readonly string[];
  spec: MeetingSpec;
}
