import { StyleSheet, Text, View } from "@react-pdf/renderer";
import { dayText, monthText } from "@/core/units/dates";
import { fixed } from "@/core/units/format";
import { Paper, pdfBytes, printable, QUIET, RULE } from "./kit";
import type { CareRecords } from "@/server/care/records";

const MONTHS = Array.from({ length: 12 }, (_, i) => monthText(`2026-${String(i + 1).padStart(2, "0")}`));

const styles = StyleSheet.create({
  row: { flexDirection: "row", borderTopWidth: 0.4, borderTopColor: RULE, paddingVertical: 2, columnGap: 8 },
  month: { flexDirection: "row", paddingVertical: 1, columnGap: 8, alignItems: "center" },
  small: { fontSize: 9 },
  head: { fontSize: 8, color: QUIET },
  bar: { width: 150 },
  done: { flex: 1, fontSize: 9 },
  number: { width: 52, textAlign: "right" },
});

/** The year's care as A4 pages: how much by month, and bar by bar what was done and how its condition went. */
export async function careReportPdf(asked: CareRecords, gym: { hallName: string; today: string }): Promise<Uint8Array> {
  const records = printable(asked);
  const { hallName, today } = printable(gym);
  const cost = (minutes: number) =>
    records.hourMinor === null ? "" : `${fixed((minutes / 60) * (records.hourMinor / 100), 0)} ${records.currency}`;
  const worth = cost(records.minutes);
  const most = Math.max(1, ...records.months.map(({ minutes }) => minutes));
  const cared = records.bars.filter(({ jobs }) => jobs > 0).length;
  return pdfBytes(
    <Paper
      title={`Care of bars ${records.year}, ${hallName}`}
      foot={`${hallName}; as recorded by ${dayText(today, "")}.`}
    >
      <Text style={{ fontWeight: 700, fontSize: 11, marginBottom: 8 }}>
        {`${records.jobs} jobs in ${fixed(records.minutes / 60, 1)} hours${worth ? `, worth ${worth}` : ""}, on ${cared} of ${records.bars.length} bars.`}
      </Text>
      {records.months.map(({ jobs, minutes }, i) => (
        <View key={i} style={styles.month}>
          <Text style={{ width: 34 }}>{MONTHS[i]}</Text>
          <Text style={{ width: 30, textAlign: "right" }}>{jobs}</Text>
          <Text style={{ width: 56, textAlign: "right" }}>{fixed(minutes, 0)} min</Text>
          <View style={{ flex: 1 }}>
            <View style={{ width: `${(100 * minutes) / most}%`, height: 8, backgroundColor: QUIET }} />
          </View>
          <Text style={{ width: 64, textAlign: "right" }}>{cost(minutes)}</Text>
        </View>
      ))}
      <View style={[styles.row, { borderTopWidth: 0, marginTop: 14 }]} fixed>
        <Text style={[styles.head, styles.bar]}>bar</Text>
        <Text style={[styles.head, styles.done, { fontSize: 8 }]}>done</Text>
        <Text style={[styles.head, styles.number]}>min</Text>
        <Text style={[styles.head, styles.number]}>runout mm</Text>
        <Text style={[styles.head, styles.number]}>found</Text>
      </View>
      {records.bars.map((bar) => (
        <View key={bar.tag} style={[styles.row, styles.small]} wrap={false}>
          <Text style={[styles.bar, { fontWeight: 700 }]}>
            {`${bar.tag} ${bar.name}${bar.state === "in-service" ? "" : ` (${bar.state.replace("-", " ")})`}`}
          </Text>
          <Text style={styles.done}>
            {bar.tasks.map(({ name, times }) => `${name} ${times}×`).join(", ") || "nothing recorded"}
          </Text>
          <Text style={styles.number}>{fixed(bar.minutes, 0)}</Text>
          <Text style={styles.number}>{runoutOf(bar)}</Text>
          <Text style={styles.number}>{bar.findings > 0 ? String(bar.findings) : ""}</Text>
        </View>
      ))}
    </Paper>,
  );
}

function runoutOf({ firstTirMm, lastTirMm }: CareRecords["bars"][number]): string {
  if (lastTirMm === null) return "";
  return firstTirMm !== null && firstTirMm !== lastTirMm
    ? `${fixed(firstTirMm, 1)} to ${fixed(lastTirMm, 1)}`
    : fixed(lastTirMm, 1);
}
