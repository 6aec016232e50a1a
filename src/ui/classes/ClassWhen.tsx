import { blockTimes } from "@/core/classes/blockTimes";
import { Day, Time } from "../kit/shown";

interface Props {
  row: { heldOn: string; startsAt: string; blockMinutes: number; blocks: number };
  today: string;
}

/** "tonight, 18:30, 18:55, 19:20". */
export function ClassWhen({ row, today }: Props) {
  return (
    <>
      {row.heldOn === today ? row.startsAt < "17:00" ? "today" : "tonight" : <Day on={row.heldOn} />}
      {blockTimes(row.startsAt, row.blockMinutes, row.blocks).map((time, i) => (
        <span key={time + i}>
          {", "}
          <Time at={time} />
        </span>
      ))}
    </>
  );
}
