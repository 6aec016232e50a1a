/**
 * When each block of a class begins, as "18:30"; past midnight the clock starts again.
 *
 * @returns a time for each block
 */
export function blockTimes(startsAt: string, blockMinutes: number, blocks: number): string[] {
  const [hours, minutes] = startsAt.split(":").map(Number);
  return Array.from({ length: blocks }, (_, i) => {
    const at = (60 * hours! + minutes! + i * blockMinutes) % 1440;
    return `${String(Math.floor(at / 60)).padStart(2, "0")}:${String(at % 60).padStart(2, "0")}`;
  });
}
