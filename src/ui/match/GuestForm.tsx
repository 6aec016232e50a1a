import { EXPERIENCES, LIMIT_WORDS, LIMITS } from "@/core/matching/lifter";
import { AskForm } from "../kit/AskForm";
import { ChangeLink } from "../kit/ChangeLink";
import { href } from "../kit/search";
import { UnitInput, UnitName } from "../kit/shown";
import { GUEST, type Guest, guestLifter } from "./guest";

/** Somebody who is not on file: enough to choose a bar, and nothing of it is kept. */
export function GuestForm({ guest }: { guest: Guest }) {
  const { build } = guestLifter(guest);
  return (
    <section
      className="sheet mb-3 flex flex-wrap items-center gap-x-6 gap-y-1 px-4 py-1.5"
      aria-label="Someone not on file"
    >
      <AskForm
        action="/match"
        label="About them"
        className="flex flex-wrap items-baseline gap-x-6"
        keep={{ lifter: GUEST }}
      >
        <span className="ask">
          <label htmlFor="guest-height">height</label>
          <UnitInput id="guest-height" name="h" unit="mm" value={guest.heightMm} placeholder="not known" size={8} />
          <UnitName of="mm" />
        </span>
        <label className="ask">
          experience
          <select name="experience" defaultValue={guest.experience} key={guest.experience}>
            {EXPERIENCES.map((key) => (
              <option key={key}>{key}</option>
            ))}
          </select>
        </label>
      </AskForm>
      <div role="group" aria-label="Not comfortable" className="flex flex-wrap items-center gap-1.5 text-sm">
        <span className="text-quiet">not comfortable</span>
        {LIMITS.map((limit) => {
          const isOn = guest.limits.includes(limit);
          const sore = LIMITS.filter((one) => (one === limit ? !isOn : guest.limits.includes(one))).join(",") || null;
          return (
            <ChangeLink
              key={limit}
              href={href("/match", { lifter: GUEST, sore: sore ?? undefined })}
              change={{ sore }}
              label={`${isOn ? "Comfortable again" : "Not comfortable"}: ${LIMIT_WORDS[limit]}`}
              className={`btn btn-sm font-normal ${isOn ? "btn-neutral" : "btn-outline"}`}
            >
              {limit === "reach" ? "reaching back" : limit}
            </ChangeLink>
          );
        })}
      </div>
      <p className="text-quiet w-full text-xs">
        None of this is saved{build && <>; body mass taken as usual for the height</>}.
      </p>
    </section>
  );
}
