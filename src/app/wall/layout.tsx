import type { ReactNode } from "react";
import { FloorKeeper } from "@/ui/kit/FloorKeeper";
import { ShownProvider } from "@/ui/kit/ShownProvider";
import { requestContext } from "@/server/access";

/** The wall's screens have no frame; a demonstration says what it is on them too. */
export default async function WallLayout({ children }: { children: ReactNode }) {
  const { actor, clock } = await requestContext();
  return (
    <ShownProvider units={actor.units} locale={actor.locale} today={clock.today}>
      {children}
      <FloorKeeper />
      {actor.isDemo && (
        <p className="text-warning fixed right-2 bottom-1 text-xs font-semibold">Demonstration: all made up</p>
      )}
    </ShownProvider>
  );
}
