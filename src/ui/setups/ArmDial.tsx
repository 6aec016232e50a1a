"use client";

import { useRef, type KeyboardEvent, type PointerEvent } from "react";
import { CARRIES, CARRY_KEYS } from "@/core/balance/carry";
import { nearestSetting, type PlacedSetting } from "@/core/setups/armChart";
import { carryAt } from "@/core/setups/armSettings";

interface Props {
  settings: readonly PlacedSetting[];
  current: PlacedSetting;
  marks: readonly string[];
  pins: readonly string[];
  onChange: (setting: PlacedSetting) => void;
  /** Called when somebody let go, or pressed a key. */
  onSettled: () => void;
}

const FULL_PLATE_MM = 225;

/** Where the loads of the usual carries sit from the pad, forward and up, in mm; swinging ones left out. */
const GHOSTS = CARRY_KEYS.filter((key) => CARRIES[key].carry.camber === "rigid").map((key) => {
  const { carry, name } = CARRIES[key];
  const pad = carryAt({ forwardMm: 0, dropMm: 0 });
  return {
    key,
    name,
    x: carry.forwardMm + carry.camberForwardMm - pad.forwardMm,
    y: carry.alongTrunkMm - carry.camberDropMm - pad.alongTrunkMm,
  };
});

const letterOf = (i: number) => String.fromCharCode(97 + i);

/** What the letters in the dial stand for: names would lie over the drawing. */
export const GHOST_WORDS = GHOSTS.map(({ name }, i) => `${letterOf(i)} ${name}`).join(", ");

/** Every place the load can take about the pad's axis, the trunk upright, facing right. Drag the load, or use arrows. */
export function ArmDial({ settings, current, marks, pins, onChange, onSettled }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const isDragged = useRef(false);
  const reach = Math.max(120, ...settings.map(({ distanceMm }) => distanceMm));
  // The head and every ring are whole, and so is a plate at the middle pins.
  const [left, right, top, bottom] = [-Math.max(260, reach + 50), reach + 130, Math.max(240, reach + 8), -(reach + 90)];

  function moveTo({ clientX, clientY }: PointerEvent) {
    const matrix = svg.current?.getScreenCTM();
    if (!matrix) return;
    const at = new DOMPoint(clientX, clientY).matrixTransform(matrix.inverse());
    const nearest = nearestSetting(settings, { forwardMm: at.x, dropMm: at.y });
    if (nearest && (nearest.mark !== current.mark || nearest.pin !== current.pin)) onChange(nearest);
  }

  function onKey(event: KeyboardEvent) {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!step) return;
    event.preventDefault();
    const mark = marks[clamp(marks.indexOf(current.mark) + step[0]!, marks.length)];
    const pin = pins[clamp(pins.indexOf(current.pin) + step[1]!, pins.length)];
    const next = settings.find((one) => one.mark === mark && one.pin === pin);
    if (next) onChange(next);
    onSettled();
  }

  const [x, y] = [current.forwardMm, current.dropMm];
  return (
    <svg
      ref={svg}
      viewBox={`${left} ${-top} ${right - left} ${top - bottom}`}
      className="drawn block w-full cursor-pointer touch-none select-none"
      role="slider"
      tabIndex={0}
      aria-label="The load about the axis"
      aria-valuemin={1}
      aria-valuemax={settings.length}
      aria-valuenow={settings.indexOf(current) + 1}
      aria-valuetext={`mark ${current.mark}, pin ${current.pin}`}
      onKeyDown={onKey}
      onPointerDown={(event) => {
        isDragged.current = true;
        event.currentTarget.setPointerCapture(event.pointerId);
        moveTo(event);
      }}
      onPointerMove={(event) => isDragged.current && moveTo(event)}
      onPointerUp={() => {
        isDragged.current = false;
        onSettled();
      }}
    >
      <Trunk bottom={-bottom} />
      {pins.map((pin) => {
        const { distanceMm } = settings.find((one) => one.pin === pin)!;
        return (
          <circle key={pin} r={distanceMm} fill="none" stroke="var(--color-base-300)" strokeWidth={2} cx={0} cy={0} />
        );
      })}
      {settings.map((one) => (
        <circle
          key={one.mark + one.pin}
          cx={one.forwardMm}
          cy={one.dropMm}
          r={one.mark.endsWith("½") ? 5 : 8}
          fill="var(--color-base-100)"
          stroke="var(--color-primary)"
          strokeWidth={3}
        />
      ))}
      {pins.map((pin) => {
        const first = settings.find((one) => one.pin === pin)!;
        return (
          <text
            key={pin}
            x={first.forwardMm - 4}
            y={first.dropMm - 16}
            textAnchor="middle"
            fontSize={20}
            fontWeight={700}
            fill="var(--color-primary)"
            className="lettered"
          >
            {pin}
          </text>
        );
      })}
      {marks
        .filter((mark) => !mark.endsWith("½"))
        .map((mark) => {
          const far = settings.filter((one) => one.mark === mark).at(-1)!;
          const out = (far.distanceMm + 30) / (far.distanceMm || 1);
          return (
            <text
              key={mark}
              x={far.forwardMm * out}
              y={far.dropMm * out + 7}
              fontSize={22}
              fontWeight={700}
              textAnchor="middle"
              fill="var(--color-primary)"
              className="lettered"
            >
              {mark}
            </text>
          );
        })}
      {GHOSTS.map(({ key, x: gx, y: gy }, i) => (
        <g key={key}>
          <circle
            cx={gx}
            cy={-gy}
            r={13}
            fill="var(--color-base-100)"
            stroke="var(--color-secondary)"
            strokeWidth={3}
          />
          <text
            x={gx}
            y={-gy + 6}
            fontSize={17}
            fontWeight={700}
            textAnchor="middle"
            fill="var(--color-secondary)"
            className="lettered"
          >
            {letterOf(i)}
          </text>
        </g>
      ))}
      <line x1={0} y1={0} x2={x} y2={y} stroke="var(--steel-dark)" strokeWidth={16} strokeLinecap="round" />
      <circle r={26} fill="var(--steel-dark)" />
      <circle
        cx={x}
        cy={y}
        r={FULL_PLATE_MM}
        fill="none"
        stroke="var(--color-quiet)"
        strokeWidth={2}
        strokeDasharray="12 10"
      />
      <circle cx={x} cy={y} r={24} fill="var(--color-primary)" stroke="var(--color-base-100)" strokeWidth={5} />
    </svg>
  );
}

const clamp = (index: number, length: number) => Math.min(length - 1, Math.max(0, index));

/** The trunk that the pad lies on: shoulder and head at their places, in the same mm. */
function Trunk({ bottom }: { bottom: number }) {
  const pad = carryAt({ forwardMm: 0, dropMm: 0 });
  const [sx, sy] = [-pad.forwardMm, pad.alongTrunkMm];
  return (
    <g fill="none" stroke="var(--color-base-300)" opacity={0.8}>
      <line x1={sx} y1={sy} x2={sx} y2={bottom} strokeWidth={110} strokeLinecap="round" />
      <circle cx={sx + 15} cy={sy - 130} r={85} fill="var(--color-base-300)" stroke="none" />
    </g>
  );
}
