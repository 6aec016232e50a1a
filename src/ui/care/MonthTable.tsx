import type { ClimateMonth } from "@/core/care/climateMonths";
import { monthText } from "@/core/units/dates";
import { fixed } from "@/core/units/format";

/** "Nov 26" of "2026-11". */
export const monthName = (month: string) => `${monthText(month)} ${month.slice(2, 4)}`;

/** The months of a place, number by number. */
export function MonthTable({ months }: { months: readonly ClimateMonth[] }) {
  return (
    <div className="mt-2 text-sm">
      <div className="relative overflow-x-auto">
        <table className="w-full">
          <thead className="text-quiet text-left text-xs">
            <tr>
              <th className="font-normal">month</th>
              <th className="text-right font-normal">°C</th>
              <th className="text-right font-normal">%</th>
              <th className="text-right font-normal">µm/a</th>
              <th className="text-right font-normal">class</th>
              <th className="text-right font-normal">humid h</th>
              <th className="text-right font-normal">dew h</th>
              <th className="text-right font-normal">need ×</th>
            </tr>
          </thead>
          <tbody>
            {months.map((month) => (
              <tr key={month.month} className="border-base-300 border-t">
                <th scope="row" className="text-left font-normal">
                  {monthName(month.month)}
                </th>
                <td className="text-right">{fixed(month.meanC, 1)}</td>
                <td className="text-right">{fixed(month.meanHumidityPct, 0)}</td>
                <td className="text-right">{fixed(month.rateUmPerYear, 0)}</td>
                <td className="text-right">{month.category}</td>
                <td className="text-right">{fixed(month.wetHours, 0)}</td>
                <td className="text-right">{fixed(month.dewHours, 0)}</td>
                <td className="text-right font-semibold">{fixed(month.factor, 2)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}
