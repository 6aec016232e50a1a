import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { chartFieldsOf, chartKindOf, chartTexts } from "@/core/setups/chartFields";
import { simulatedChart } from "@/core/instruments/simulatedChart";
import { seedFrom } from "@/core/instruments/simulatedInstrument";
import { may, requestContext } from "@/server/access";
import { barToSet } from "@/server/setups";
import { BarTag } from "@/ui/kit/BarTag";
import { PageHead } from "@/ui/kit/PageHead";
import { CalibrateForm } from "@/ui/setups/CalibrateForm";
import { SetupsNav } from "@/ui/setups/SetupsNav";
import { calibrateAction } from "../../actions";

export const metadata: Metadata = { title: "Calibrate" };

export default async function CalibratePage({ params }: { params: Promise<{ tag: string }> }) {
  const [context, { tag }] = [await requestContext(), await params];
  const set = await barToSet(context, decodeURIComponent(tag));
  const kind = set && chartKindOf(set.bar.family);
  if (!set || !kind || !may(context, "setup.edit")) notFound();
  const { bar, chart } = set;
  return (
    <>
      <PageHead
        title={
          <>
            Calibrate <BarTag tag={bar.tag} className="text-lg!" href={`/setups/${encodeURIComponent(bar.tag)}`} />{" "}
            {bar.name}
          </>
        }
        about={
          kind === "arm"
            ? "which angle each mark is, and which distance each pin, on either arm"
            : "holes, offsets and mass centre, from the axis of the sleeves"
        }
      >
        <SetupsNav />
      </PageHead>
      <CalibrateForm
        tag={bar.tag}
        version={set.setupVersion}
        kind={kind}
        texts={chart ? chartTexts(chart) : { changesEmptyOnly: "yes", hasHalfMarks: "no", handlesTurn: "no" }}
        defs={chartFieldsOf(kind)}
        truth={context.actor.isDemo ? simulatedChart(bar.tag, chart?.kind === "arm" ? chart : null) : null}
        // What the gauge wakes up with is another one tomorrow.
        seed={seedFrom(bar.tag, context.clock.today)}
        action={calibrateAction}
      />
      <p className="text-quiet mt-4 max-w-prose text-xs">
        A calibration belongs to this one bar. Settings saved under the last one stay and say that they are old. The
        maker’s instructions come first.
      </p>
    </>
  );
}
