/** The made-up hall around the bars: plates, clamps, stations, people. Everyone and everything is invented. */
export const DEMO_HALL = {
  name: "Kestrel Reach Rowing Club",
  timeZone: "Europe/London",
  climateClass: "salt-humid",
  currency: "GBP",
};

/** Colours of competition discs (IWF Technical and Competition Rules, from memory). */
export const DEMO_PLATES = [
  ["r25", "25 kg", "bumper", 450, 62, 2, "red"],
  ["r20", "20 kg", "bumper", 450, 54, 3, "blue"],
  ["r15", "15 kg", "bumper", 450, 45, 2, "yellow"],
  ["r10", "10 kg", "bumper", 450, 38, 1, "green"],
  ["s25", "25 kg", "steel", 450, 27, 4, "red"],
  ["s20", "20 kg", "steel", 450, 22, 2, "blue"],
  ["i45lb", "45 lb", "iron", 445, 38, 4, "grey"],
  ["i35lb", "35 lb", "iron", 360, 35, 2, "grey"],
  ["i25lb", "25 lb", "iron", 285, 33, 3, "grey"],
  ["i10lb", "10 lb", "iron", 228, 25, 3, "grey"],
  ["i5lb", "5 lb", "iron", 190, 20, 2, "grey"],
  ["i2.5lb", "2.5 lb", "iron", 160, 15, 2, "grey"],
  ["s5", "5 kg", "steel", 228, 22, 3, "white"],
  ["s2.5", "2.5 kg", "steel", 190, 18, 3, "red"],
  ["s1.25", "1.25 kg", "steel", 160, 14, 2, "grey"],
  ["s0.5", "0.5 kg", "steel", 134, 10, 2, "white"],
] as const;

export const DEMO_CLAMPS = [
  ["spring", "spring clamps", "0.5 kg", 18, 8],
  ["meet", "meet clamps", "5 kg", 42, 2],
] as const;

/** Key, name, kind, support spacing, hole pitch, first hole, J-cup pairs; lengths in mm. */
export const DEMO_STATIONS = [
  ["rack-1", "Rack 1", "rack", 1090, 50, 430, 2],
  ["rack-2", "Rack 2", "rack", 1090, 50, 430, 1],
  ["rack-3", "Rack 3, river side", "rack", 1180, 75, 500, 1],
  ["rack-4", "Rack 4, river side", "rack", 1180, 75, 500, 1],
  ["platform-1", "Platform 1", "platform", null, null, null, 0],
  ["platform-2", "Platform 2", "platform", null, null, null, 0],
  ["bench-1", "Bench 1", "bench", 1100, 50, 700, 1],
  ["bench-2", "Bench 2", "bench", 1100, 50, 700, 1],
  ["floor", "Open floor", "floor", null, null, null, 0],
] as const;

export const DEMO_PEOPLE = [
  ["Maren Tidewell", "manager"],
  ["Joss Kettleby", "coach"],
  ["Ada Ferrow", "coach"],
  ["Pim Larkspur", "care"],
  ["Bettany Quoin", "care"],
  ["Runa Dellby", "lifter"],
  ["Wall screen", "wall"],
] as const;

/** Key, name, squad, height mm, mass kg, hand mm, learning, what they say, what the coach says. */
export const DEMO_LIFTERS = [
  ["isla", "Isla Fenwright", "seniors", 1890, 82, 192, false, null, "Long thighs; sits back."],
  [
    "bram",
    "Bram Okerlund",
    "seniors",
    2020,
    103,
    215,
    false,
    "Right shoulder hates the low bar.",
    "Yoke or bowed for squats until spring.",
  ],
  ["tove", "Tove Marrack", "juniors", 1620, 54, 168, true, null, "Learning the clean."],
  ["cato", "Cato Wrenfold", "juniors", 1780, 66, 188, true, null, null],
  ["nia", "Nia Saltmarsh", "masters", 1680, 71, 174, false, "Wrists sore after rowing blocks.", null],
  ["emeric", "Emeric Vanholt", "masters", 1840, 95, 200, false, null, "Meet in nine weeks."],
  ["runa", "Runa Dellby", "seniors", 1740, 68, 180, false, null, "Meet in nine weeks."],
  ["oskar", "Oskar Pellin", "adaptive", 1710, 77, 190, false, "Prefers to start from the rack.", null],
] as const;

/** The second, small hall, to show that neither sees the other. */
export const SECOND_HALL = { name: "Alder Yard", timeZone: "Europe/Lisbon", climateClass: "dry", currency: "EUR" };
