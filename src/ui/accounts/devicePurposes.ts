/** What a paired tablet is there for, in words. */
export const DEVICE_PURPOSES: Record<string, string> = {
  wall: "Wall screen: touch a lift, see the bar",
  sheets: "Run sheets: sessions that are in progress",
  rounds: "Care rounds",
};
