import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { CARE_TASK_FIELDS } from "@/core/care/careTaskFields";
import { trimmed } from "@/core/units/format";
import { minutesLearned } from "@/server/care/rounds";
import { careTaskTexts, careTasksOf } from "@/server/care/planning";
import { may, requestContext } from "@/server/access";
import { CareNav } from "@/ui/care/CareNav";
import { DataTable, type DataColumn } from "@/ui/kit/DataTable";
import { LazyFieldsForm } from "@/ui/kit/LazyFieldsForm";
import { PageHead } from "@/ui/kit/PageHead";
import { careTaskAction } from "../actions";

const COLUMNS: DataColumn[] = [
  { key: "task", head: "task" },
  { key: "minutes", head: "min a bar", isNumber: true },
  { key: "lately", head: "lately", isNumber: true },
  { key: "materials", head: "takes", isWide: true },
  { key: "cautions", head: "caution", isWide: true },
];

export const metadata: Metadata = { title: "Care tasks" };

async function CareTasksPage() {
  const context = await requestContext();
  const [tasks, learned] = await Promise.all([careTasksOf(context), minutesLearned(context)]);
  return (
    <>
      <PageHead title="Care tasks" about="what is done, with what, how long it takes">
        <CareNav here="/care/tasks" />
      </PageHead>
      <p className="text-quiet mb-3 text-sm">
        Opening a sleeve is skilled work and may void the warranty, so it is never a task here. Ask the maker.
      </p>
      <section className="sheet" aria-label="Tasks">
        <DataTable
          label="tasks"
          columns={COLUMNS}
          rows={tasks.map((task) => ({
            id: task.id,
            cells: {
              task: { value: task.name, node: <strong>{task.name}</strong> },
              minutes: { value: task.minutes, node: trimmed(task.minutes, 2) },
              lately: {
                value: learned.get(task.key) ?? null,
                node: learned.has(task.key) ? trimmed(learned.get(task.key)!, 1) : undefined,
              },
              materials: { value: task.materials?.join(", ") || null },
              cautions: { value: task.cautions?.join(" ") || null },
            },
            more: (
              <section aria-label={task.name} className="grid gap-2">
                <ol className="list-inside list-decimal">
                  {task.steps.map((step) => (
                    <li key={step}>{step}</li>
                  ))}
                </ol>
                {task.cautions?.map((caution) => (
                  <p key={caution} className="text-accent border-accent border-l-4 pl-2">
                    {caution}
                  </p>
                ))}
                {may(context, "rule.edit") && (
                  <LazyFieldsForm
                    kind="task"
                    key={task.version}
                    defs={CARE_TASK_FIELDS}
                    id={task.id}
                    version={task.version}
                    texts={careTaskTexts(task)}
                    action={careTaskAction}
                    fixed={["key"]}
                  />
                )}
              </section>
            ),
          }))}
          empty="No tasks yet."
        />
      </section>
    </>
  );
}

export default inParts(CareTasksPage);
