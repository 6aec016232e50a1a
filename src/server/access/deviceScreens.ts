import "server-only";
import type { DeviceRole } from "@/data/schema";

/** What a paired tablet may open and send to, by what it is there for. Everything else is closed to it. */
const SCREENS: Record<DeviceRole, readonly RegExp[]> = {
  wall: [/^\/wall(\/chalk)?$/],
  sheets: [/^\/station$/, /^\/load\/session\/run\/[\w-]+(\/(state|touch|events))?$/],
  rounds: [/^\/care\/rounds(\/(touch|person))?$/],
};

/** Where a tablet begins. */
export const DEVICE_HOME: Readonly<Record<string, string>> & Record<DeviceRole, string> = {
  wall: "/wall",
  sheets: "/station",
  rounds: "/care/rounds",
};

/** Whether a tablet that is there for `role` may ask for a path. */
export const isDeviceScreen = (role: DeviceRole, path: string): boolean =>
  SCREENS[role].some((screen) => screen.test(path));
