"use client";

import {
  DndContext,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from "@dnd-kit/core";
import { useRef, useState, useTransition } from "react";
import { PLACE_FIELDS, PLACE_KIND_WORDS } from "@/core/setups/storage";
import type { ListedPlace, ListedStation, Storage } from "@/server/setups";
import { FieldsForm } from "../kit/FieldsForm";
import type { FormAction, FormState } from "../kit/formState";
import Link from "../kit/Link";
import { HangForm, PutAwayForm } from "./StorageForms";
import { Say } from "../kit/shown";
import { StationBox, PlaceBox } from "./FloorBoxes";

interface Props {
  storage: Storage;
  mayHang: boolean;
  mayPlan: boolean;
  hangAction: (tag: string, place: string) => Promise<FormState>;
  hangFormAction: FormAction;
  moveAction: (id: string, x: number, y: number) => Promise<FormState>;
  saveAction: FormAction;
  putAwayAction: FormAction;
}

/** The floor sketch: places where they are, bars in them, both moved by dragging; below what is wrong and the counts. */
export function StorageSheet(props: Props) {
  const { storage, mayHang, mayPlan } = props;
  const { places, stations, bars, conflicts } = storage;
  const shown = stations.filter(({ at }) => at !== null || mayPlan);
  const [message, setMessage] = useState<FormState | null>(null);
  const [moved, setMoved] = useState<Record<string, { x: number; y: number }>>({});
  const [isPending, start] = useTransition();
  const floor = useRef<HTMLDivElement>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
    useSensor(KeyboardSensor),
  );
  const at = (place: ListedPlace, i: number) => moved[place.id] ?? place.at ?? unplaced(i, places.length);
  const stationAt = (one: ListedStation, i: number) => moved[one.id] ?? one.at ?? unplaced(i, shown.length, 970);

  function onDragEnd({ active, over, delta }: DragEndEvent) {
    const [kind, key] = String(active.id).split(/:(.*)/s) as [string, string];
    if (kind === "bar") {
      const place = over && String(over.id).slice("place:".length);
      if (!place || bars.find(({ tag }) => tag === key)?.place === place) return;
      start(async () => setMessage(await props.hangAction(key, place)));
      return;
    }
    const box = floor.current?.getBoundingClientRect();
    const [i, k] = [places.findIndex(({ id }) => id === key), shown.findIndex(({ id }) => id === key)];
    const from = i >= 0 ? at(places[i]!, i) : k >= 0 ? stationAt(shown[k]!, k) : null;
    if (!box || !from || (delta.x === 0 && delta.y === 0)) return;
    const within = (value: number) => Math.round(Math.min(1000, Math.max(0, value)));
    const to = { x: within(from.x + (1000 * delta.x) / box.width), y: within(from.y + (1000 * delta.y) / box.height) };
    setMoved((all) => ({ ...all, [key]: to }));
    start(async () => setMessage(await props.moveAction(key, to.x, to.y)));
  }

  return (
    <div className="grid gap-3">
      {conflicts.length > 0 ? (
        <ul className="sheet divide-base-300 divide-y px-4 py-1 text-sm" aria-label="What is wrong">
          {conflicts.map(({ key, text, isDangerous }) => (
            <li key={key + text} className="flex flex-wrap items-baseline gap-x-3 py-1.5">
              <strong className={isDangerous ? "text-error" : "text-accent"}>{isDangerous ? "danger" : "fix"}</strong>
              <span className="min-w-60 flex-1">
                <Say text={text} />
              </span>
            </li>
          ))}
        </ul>
      ) : (
        <p className="sheet px-4 py-3 text-sm">Nothing is wrong with how the bars hang.</p>
      )}
      <DndContext sensors={sensors} onDragEnd={onDragEnd} id="floor">
        <section className="sheet px-4 py-3" aria-label="Floor sketch">
          <div className="mb-2 flex flex-wrap items-baseline justify-between gap-3">
            <h2 className="font-bold">Floor sketch</h2>
            <p
              role="status"
              className={`min-h-5 text-sm ${message?.status === "refused" ? "text-error" : "text-success"}`}
            >
              {isPending ? "…" : (message?.message ?? "")}
            </p>
          </div>
          <div
            ref={floor}
            className="border-base-300 bg-base-200 relative h-[28rem] border-2 border-dashed max-md:h-auto max-md:border-0"
          >
            {shown.map((one, i) => (
              <StationBox key={one.id} station={one} at={stationAt(one, i)} mayPlan={mayPlan} />
            ))}
            {places.map((place, i) => (
              <PlaceBox
                key={place.id}
                place={place}
                at={at(place, i)}
                bars={bars.filter((bar) => bar.place === place.name)}
                wrong={new Set(conflicts.filter((one) => one.place === place.name).flatMap(({ tags }) => tags))}
                mayHang={mayHang}
                mayPlan={mayPlan}
              />
            ))}
          </div>
          <p className="text-quiet mt-1 text-xs">
            Drag a bar to another place; drag a place or a station by its name. With the keyboard: space, arrows, space.
            Distances between them are under{" "}
            <Link href="/setups/space" className="link">
              Room
            </Link>
            .
          </p>
        </section>
      </DndContext>
      <div className="grid items-start gap-3 lg:grid-cols-2">
        <section className="sheet px-4 py-3" aria-label="Put away">
          <h2 className="mb-1 font-bold">Put a bar away: count its loose parts</h2>
          <ul className="divide-base-300 divide-y text-sm">
            {bars
              .filter(({ looseParts }) => looseParts.length > 0)
              .map((bar) => (
                <li key={bar.tag} className="py-2">
                  <PutAwayForm bar={bar} isOff={!mayHang} action={props.putAwayAction} />
                </li>
              ))}
          </ul>
        </section>
        <div className="grid gap-3">
          {mayHang && (
            <section className="sheet px-4 py-3" aria-label="Hang a bar elsewhere">
              <h2 className="mb-1 font-bold">Hang a bar elsewhere</h2>
              <HangForm bars={bars} places={places} action={props.hangFormAction} />
            </section>
          )}
          {mayPlan && (
            <section className="sheet px-4 py-3" aria-label="Places">
              <h2 className="mb-1 font-bold">Places</h2>
              <ul className="divide-base-300 divide-y text-sm">
                {places.map((place) => (
                  <li key={place.id}>
                    <details>
                      <summary className="min-h-11 cursor-pointer py-2.5">
                        <strong>{place.name}</strong>
                        <span className="text-quiet">
                          , {PLACE_KIND_WORDS[place.kind]}
                          {place.slots !== null && `, ${place.slots} pegs`}
                          {place.lengthMm !== null && <Say text={`, up to ${place.lengthMm} mm`} />}
                        </span>
                      </summary>
                      <FieldsForm
                        kind="place"
                        key={place.version}
                        defs={PLACE_FIELDS}
                        id={place.id}
                        version={place.version}
                        texts={place.texts}
                        action={props.saveAction}
                      />
                    </details>
                  </li>
                ))}
                <li>
                  <details>
                    <summary className="link min-h-11 cursor-pointer py-2.5">Add place</summary>
                    <FieldsForm
                      kind="place"
                      key={places.length}
                      defs={PLACE_FIELDS}
                      id={null}
                      version={0}
                      texts={{ kind: "wall-horizontal" }}
                      action={props.saveAction}
                    />
                  </details>
                </li>
              </ul>
            </section>
          )}
        </div>
      </div>
    </div>
  );
}

/** What nobody put on the sketch stands in a row at its foot. */
const unplaced = (i: number, all: number, y = 800) => ({ x: Math.round((1000 * (i + 0.5)) / all), y });
