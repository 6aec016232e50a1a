import type { KeptSetting } from "@/server/setups";
import { BarTag } from "../kit/BarTag";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { CopyForm } from "./CopyForm";
import { Day, Say } from "../kit/shown";

/** Settings that were kept, newest first, each with its card; what was replaced is under it. */
export function KeptList({
  kept,
  showsBar = false,
  copy,
}: {
  kept: readonly KeptSetting[];
  showsBar?: boolean;
  copy?: {
    action: FormAction;
    liftersFor: (setting: KeptSetting) => { key: string; name: string; apartMm: number | null }[];
  };
}) {
  const current = kept.filter(({ isCurrent }) => isCurrent);
  if (current.length === 0) return <p className="text-quiet text-sm">No saved settings yet.</p>;
  return (
    <ul className="divide-base-300 divide-y text-sm">
      {current.map((one) => {
        const before = kept.filter(
          (other) =>
            !other.isCurrent &&
            other.lifterKey === one.lifterKey &&
            other.tag === one.tag &&
            other.liftKey === one.liftKey,
        );
        return (
          <li key={one.id} className="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-2">
            {showsBar && <BarTag tag={one.tag} href={`/setups/${encodeURIComponent(one.tag)}`} />}
            <span className="min-w-48 flex-1">
              <strong>{one.lifterName}</strong>, {one.liftName}: <Say text={one.words} />
              {one.jCupHole !== null && `, J-cups in hole ${one.jCupHole}`}
              <span className="text-quiet block text-xs">
                <Day on={one.keptOn} />, {one.by}
                {one.note && `; “${one.note}”`}
                {one.isOld && (
                  <span className="text-accent font-semibold">; the bar was calibrated again since: check it</span>
                )}
              </span>
              {(before.length > 0 || copy) && (
                <details>
                  <summary className="text-quiet min-h-8 cursor-pointer py-1.5 text-xs">
                    {before.length > 0 ? `${before.length} before` : "copy"}
                    {before.length > 0 && copy ? ", copy" : ""}
                  </summary>
                  <ul className="text-quiet text-xs">
                    {before.map((old) => (
                      <li key={old.id}>
                        <Day on={old.keptOn} />: <Say text={old.words} />
                        {old.jCupHole !== null && `, hole ${old.jCupHole}`}
                        {old.note && `; “${old.note}”`}
                      </li>
                    ))}
                  </ul>
                  {copy && <CopyForm id={one.id} lifters={copy.liftersFor(one)} action={copy.action} />}
                </details>
              )}
            </span>
            <Link href={`/setups/card/${one.id}`} className="btn btn-sm btn-outline">
              Card
            </Link>
          </li>
        );
      })}
    </ul>
  );
}
