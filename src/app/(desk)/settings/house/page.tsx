import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { strengthTexts } from "@/core/strength/strengthRuleFields";
import { matchingRules, steadinessRules, strengthRules } from "@/server/rules";
import { may, requestContext } from "@/server/access";
import { PageHead } from "@/ui/kit/PageHead";
import { Fold } from "@/ui/kit/Fold";
import { StrengthForm } from "@/ui/settings/StrengthForm";
import { SteadinessForm } from "@/ui/settings/SteadinessForm";
import { HouseForm } from "@/ui/settings/HouseForm";
import { houseAction, previewAction, steadinessAction, strengthAction } from "./actions";

export const metadata: Metadata = { title: "House rules" };

async function HousePage() {
  const context = await requestContext();
  const [{ version, ...rules }, strength, steady] = [
    await matchingRules(context),
    await strengthRules(context),
    await steadinessRules(context),
  ];
  return (
    <>
      <PageHead title="House rules" about="where practitioners disagree, the gym decides" />
      <HouseForm
        rules={rules}
        version={version}
        mayEdit={may(context, "rule.edit")}
        action={houseAction}
        preview={previewAction}
      />
      <div className="mt-3">
        <Fold id="strength" title="Strength and new bars" about="how loads to start with are estimated from the log">
          <div className="px-4 pb-4">
            <p className="text-quiet mb-3 text-sm">Starting values; change them where your gym knows better.</p>
            <StrengthForm
              texts={strengthTexts(strength)}
              version={strength.version}
              mayEdit={may(context, "rule.edit")}
              action={strengthAction}
            />
          </div>
        </Fold>
      </div>
      <div className="mt-3">
        <Fold id="steadiness" title="How steady bars feel" about="shown where two bars are compared">
          <div className="px-4 pb-4">
            <p className="text-quiet mb-3 text-sm">
              The steadiest first. Some find the cambered bar steadier than the straight one.
            </p>
            <SteadinessForm
              order={steady.order}
              version={steady.version}
              mayEdit={may(context, "rule.edit")}
              action={steadinessAction}
            />
          </div>
        </Fold>
      </div>
    </>
  );
}

export default inParts(HousePage);
