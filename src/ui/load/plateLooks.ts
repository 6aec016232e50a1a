/**
 * Fill and lettering of plates on the drawing, by the colour name kept with the plate; the mass is always written on it.
 * Their shades are as far apart as they can be for eyes that lack a kind of cone (tests/look).
 */
export const PLATE_LOOKS: Readonly<Record<string, { fill: string; text: string }>> = {
  red: { fill: "#b20338", text: "#ffffff" },
  blue: { fill: "#1a4b8a", text: "#ffffff" },
  yellow: { fill: "#d6ac35", text: "#1c2a33" },
  green: { fill: "#25854c", text: "#ffffff" },
  white: { fill: "#f4f1ea", text: "#1c2a33" },
  grey: { fill: "#6a737e", text: "#ffffff" },
};

export function plateLook(colour: string | null | undefined): { fill: string; text: string } {
  return PLATE_LOOKS[colour ?? "grey"] ?? PLATE_LOOKS.grey!;
}
