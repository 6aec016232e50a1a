/** Fill and lettering of plates on the drawing, by the colour name kept with the plate; the mass is always written on it. */
const LOOKS: Record<string, { fill: string; text: string }> = {
  red: { fill: "#ac3a32", text: "#ffffff" },
  blue: { fill: "#2b5a94", text: "#ffffff" },
  yellow: { fill: "#d6ac35", text: "#1c2a33" },
  green: { fill: "#35704a", text: "#ffffff" },
  white: { fill: "#f4f1ea", text: "#1c2a33" },
  grey: { fill: "#66727b", text: "#ffffff" },
};

export function plateLook(colour: string | null | undefined): { fill: string; text: string } {
  return LOOKS[colour ?? "grey"] ?? LOOKS.grey!;
}
