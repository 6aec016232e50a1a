import "server-only";

import type { Role } from "@/data/schema";

export { ROLES, type Role } from "@/data/schema";

/** What a person may do, by role. Checked in server modules, never only in pages. */
const PERMISSIONS = {
  "bar.change-state": ["manager", "coach"],
  /** Lifting a quarantine is the manager's alone. */
  "bar.end-quarantine": ["manager"],
  /** What is kept of bars, and taking changes back. */
  "bar.edit": ["manager", "coach"],
  /** Plates, clamps and stations. */
  "equipment.edit": ["manager", "coach"],
  "rule.edit": ["manager"],
  "hall.export": ["manager", "coach"],
  "hall.import": ["manager"],
  /** Whether the database is backed up. */
  "backup.read": ["manager"],
  /** Marks, pins and holes of a bar, how it stands, and lifters' settings. */
  "setup.edit": ["manager", "coach"],
  /** Counting parts and hanging a bar up. */
  "bar.put-away": ["manager", "coach", "care"],
  /** Running a session: it names lifters and their loads. */
  "session.run": ["manager", "coach"],
  "bar.measure": ["manager", "coach", "care"],
  "care.tick": ["manager", "coach", "care"],
  /** Rounds, hours and calendars. */
  "care.plan": ["manager", "coach", "care"],
  /** Spot checks: what anybody in the hall may see on a bar, the wall screen too. */
  "care.spot": ["manager", "coach", "care", "lifter", "wall"],
  /** Readings of the air. */
  "climate.edit": ["manager", "coach", "care"],
  /** Inspections, with what follows for the bar. */
  "bar.inspect": ["manager", "coach", "care"],
  /** What happened with bars: who was hurt, and how. */
  "incident.read": ["manager"],
  /** Names, sizes, limits and notes of lifters. */
  "lifter.read": ["manager", "coach"],
  "lifter.edit": ["manager", "coach"],
  "lifter.erase": ["manager"],
  /** What lifts are and how they end. */
  "lift.edit": ["manager", "coach"],
  /** Classes with their lifters and loads. */
  "class.edit": ["manager", "coach"],
} as const satisfies Record<string, readonly Role[]>;

export type Permission = keyof typeof PERMISSIONS;

/** Whether the one who asks may do it. */
export function may({ actor }: { actor: { role: Role } }, permission: Permission): boolean {
  return (PERMISSIONS[permission] as readonly Role[]).includes(actor.role);
}
