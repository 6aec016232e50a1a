import type { Metadata } from "next";
import { CARE_TASK_FIELDS } from "@/core/care/careTaskFields";
import { trimmed } from "@/core/units/format";
import { minutesLearned } from "@/server/care/rounds";
import { careTaskTexts, careTasksOf } from "@/server/care/planning";
import { may, requestContext } from "@/server/access";
import { CareNav } from "@/ui/care/CareNav";
import { FieldsForm } from "@/ui/kit/FieldsForm";
import { PageHead } from "@/ui/kit/PageHead";
import { careTaskAction } from "../actions";

export const metadata: Metadata = { title: "Care tasks" };

export default async function CareTasksPage() {
  const context = await requestContext();
  const [tasks, learned] = await Promise.all([careTasksOf(context), minutesLearned(context)]);
  return (
    <>
      <PageHead title="Care tasks" about="what is done, with what, how long it takes">
        <CareNav here="/care/tasks" />
      </PageHead>
      <p className="text-quiet mb-3 text-sm">
        Opening a sleeve is for people who know how, and may void a warranty: it is never a task here. Ask the maker.
      </p>
      <div className="grid gap-3">
        {tasks.map((task) => (
          <section key={task.id} className="sheet px-4 py-3" aria-label={task.name}>
            <h2 className="text-lg font-bold">{task.name}</h2>
            <p className="text-sm">
              {trimmed(task.minutes, 2)} min a bar
              {Math.abs((learned.get(task.key) ?? task.minutes) - task.minutes) >= 0.05 &&
                `, lately ${trimmed(learned.get(task.key)!, 1)} min`}
              . {task.materials && task.materials.length > 0 && `Takes ${task.materials.join(", ")}.`}
            </p>
            <ol className="list-inside list-decimal text-sm">
              {task.steps.map((step) => (
                <li key={step}>{step}</li>
              ))}
            </ol>
            {task.cautions?.map((caution) => (
              <p key={caution} className="text-accent border-accent mt-1 border-l-4 pl-2 text-sm">
                {caution}
              </p>
            ))}
            {may(context, "rule.edit") && (
              <details className="mt-1">
                <summary className="link min-h-11 cursor-pointer py-2 text-sm">
                  Change<span className="sr-only"> {task.name}</span>
                </summary>
                <FieldsForm
                  key={task.version}
                  defs={CARE_TASK_FIELDS}
                  id={task.id}
                  version={task.version}
                  texts={careTaskTexts(task)}
                  action={careTaskAction}
                  fixed={["key"]}
                />
              </details>
            )}
          </section>
        ))}
      </div>
    </>
  );
}
