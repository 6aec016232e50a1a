/**
 * Greatest total of a rectangular assignment: each row takes at most one column, each column is taken at most once.
 * Values are not negative, so leaving a row alone is never better than a free column, only as good.
 *
 * Shortest augmenting paths with potentials (Jonker and Volgenant; the well-known form in O(rows² × columns)).
 *
 * @param value value[row][column], at least 0.
 * @returns the column of each row, or −1 when there are fewer columns than rows.
 */
export function bestAssignment(value: readonly (readonly number[])[]): number[] {
  return pricedAssignment(value).taken;
}

/**
 * The same with the price of each row: what the total would lose without it, at most. Prices and what columns then
 * still offer add up to the total (the dual of the assignment).
 *
 * @returns the column of each row, and a price for each row in the values' unit
 */
export function pricedAssignment(value: readonly (readonly number[])[]): { taken: number[]; prices: number[] } {
  const rows = value.length;
  const columns = rows === 0 ? 0 : Math.max(rows, value[0]!.length);
  const real = rows === 0 ? 0 : value[0]!.length;
  // Costs, row after row; columns beyond the real ones stand for "none".
  const costs = new Float64Array(rows * columns);
  value.forEach((own, row) => own.forEach((one, column) => (costs[row * columns + column] = -one)));
  const rowPotential = new Float64Array(rows + 1);
  const columnPotential = new Float64Array(columns + 1);
  /** Row that holds each column, from 1; 0 when free. */
  const holder = new Int32Array(columns + 1);
  const way = new Int32Array(columns + 1);
  const least = new Float64Array(columns + 1);
  const isUsed = new Uint8Array(columns + 1);
  for (let row = 1; row <= rows; row += 1) {
    holder[0] = row;
    let column = 0;
    least.fill(Infinity);
    isUsed.fill(0);
    do {
      isUsed[column] = 1;
      const own = holder[column]!;
      const [from, potential] = [(own - 1) * columns - 1, rowPotential[own]!];
      let [delta, next] = [Infinity, 0];
      for (let j = 1; j <= columns; j += 1) {
        if (isUsed[j]) continue;
        const reduced = costs[from + j]! - potential - columnPotential[j]!;
        if (reduced < least[j]!) {
          least[j] = reduced;
          way[j] = column;
        }
        if (least[j]! < delta) {
          delta = least[j]!;
          next = j;
        }
      }
      for (let j = 0; j <= columns; j += 1)
        if (isUsed[j]) {
          rowPotential[holder[j]!]! += delta;
          columnPotential[j]! -= delta;
        } else least[j]! -= delta;
      column = next;
    } while (holder[column] !== 0);
    do {
      const before = way[column]!;
      holder[column] = holder[before]!;
      column = before;
    } while (column !== 0);
  }
  const taken = new Array<number>(rows).fill(-1);
  for (let j = 1; j <= real; j += 1) if (holder[j]! > 0) taken[holder[j]! - 1] = j - 1;
  return { taken, prices: Array.from({ length: rows }, (_, row) => Math.max(0, -rowPotential[row + 1]!)) };
}
