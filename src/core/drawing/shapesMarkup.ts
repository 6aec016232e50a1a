import type { Shape } from "./shapes";

/**
 * Shapes in mm, y up, as SVG elements in one text, y down, that take their inks from the page's style by role. One
 * text instead of thirty elements a bar: a wall of bars is answered and scrolled several times as fast. It holds
 * nothing but numbers and the roles of `shapes.ts`, so there is nothing in it to escape.
 *
 * @returns SVG elements as one text, numbers in mm
 */
export function shapesMarkup(shapes: readonly Shape[]): string {
  return shapes.map(oneShape).join("");
}

function oneShape(shape: Shape): string {
  const isKnurl = shape.role.startsWith("knurl-");
  if (shape.kind === "tube") {
    const points = shape.points.map(([x, y]) => `${tenths(x)},${tenths(-y)}`).join(" ");
    const ink = isKnurl ? `class="knurled" stroke="url(#${shape.role})"` : `class="${shape.role}"`;
    return `<polyline ${ink} points="${points}" stroke-width="${tenths(shape.thickness)}"/>`;
  }
  const ink = isKnurl ? `fill="url(#${shape.role})"` : `class="${shape.role}"`;
  const radius = shape.radius ? ` rx="${tenths(shape.radius)}"` : "";
  return `<rect ${ink} x="${tenths(shape.x)}" y="${tenths(-shape.y - shape.height)}" width="${tenths(shape.width)}" height="${tenths(shape.height)}"${radius}/>`;
}

const tenths = (mm: number) => Math.round(mm * 10) / 10 || 0;
