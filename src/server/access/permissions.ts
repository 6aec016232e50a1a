import "server-only";

import { DEVICE_ROLES, type Role } from "@/data/schema";

export { DEVICE_ROLES, PERSON_ROLES, ROLES, type DeviceRole, type PersonRole, type Role } from "@/data/schema";

const OWNER = ["owner"] as const;
const MANAGER = [...OWNER, "manager"] as const;
const COACH = [...MANAGER, "coach"] as const;
const CARE = [...COACH, "care"] as const;

/** What a person may do, by role. Checked in server modules, never only in pages; docs/roles.md is made of it. */
export const PERMISSIONS = {
  "bar.change-state": COACH,
  /** Lifting a quarantine. */
  "bar.end-quarantine": MANAGER,
  /** What is kept of bars, and undoing changes. */
  "bar.edit": COACH,
  /** What bars cost and who sold them. */
  "price.read": MANAGER,
  /** Bars that are offered, without what they cost. */
  "offer.read": COACH,
  /** Offers, orders, claims and what to buy. */
  "offer.edit": MANAGER,
  /** Checking a bar that arrives. */
  "delivery.receive": CARE,
  /** Plates, clamps and stations. */
  "equipment.edit": COACH,
  "rule.edit": MANAGER,
  "hall.export": COACH,
  "hall.import": MANAGER,
  /** The whole hall as one sealed file, out and into an empty one. */
  "hall.archive": OWNER,
  /** Whether the database is backed up. */
  "backup.read": MANAGER,
  /** Marks, pins and holes of a bar, how it stands, and lifters' settings. */
  "setup.edit": COACH,
  /** Counting parts and hanging a bar up. */
  "bar.put-away": [...CARE, "rounds"],
  /** Running a session: it names lifters and their loads. */
  "session.run": [...COACH, "sheets"],
  "bar.measure": CARE,
  "care.tick": [...CARE, "rounds"],
  /** Rounds and calendars. */
  "care.plan": CARE,
  /** Hours in which others work, and care in their name. */
  "hours.of-others": MANAGER,
  /** Spot checks: what anybody in the hall may see on a bar, the wall screen too. */
  "care.spot": [...CARE, "lifter", "wall", "rounds"],
  /** Readings of the air. */
  "climate.edit": CARE,
  /** Inspections, with what follows for the bar. */
  "bar.inspect": [...CARE, "rounds"],
  /** What happened with bars: who was hurt, and how. */
  "incident.read": MANAGER,
  /** Names, sizes and loads of lifters. */
  "lifter.read": COACH,
  /** What hurts whom, in their words and a coach's. */
  "lifter.health": COACH,
  "lifter.edit": COACH,
  "lifter.erase": MANAGER,
  /** What lifts are and how they end. */
  "lift.edit": COACH,
  /** Classes with their lifters and loads. */
  "class.edit": COACH,
  /** Who may come in, as what: inviting, roles below one's own, removing. */
  "people.manage": MANAGER,
  /** Making owners and managers, and removing them. */
  "people.manage-managers": OWNER,
  /** Pairing tablets and revoking them. */
  "device.manage": MANAGER,
  /** Tokens for programs. */
  "token.manage": MANAGER,
  /** Who signed in, from where, and what was taken out. */
  "account-log.read": OWNER,
} as const satisfies Record<string, readonly Role[]>;

export type Permission = keyof typeof PERMISSIONS;

/** Whether a paired tablet asks, and nobody said who they are. */
export const isTablet = ({ actor }: { actor: { role: Role } }): boolean =>
  (DEVICE_ROLES as readonly Role[]).includes(actor.role);

/** Whether the one who asks may do it. */
export function may({ actor }: { actor: { role: Role } }, permission: Permission): boolean {
  return (PERMISSIONS[permission] as readonly Role[]).includes(actor.role);
}
