const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** Thirty-six figures as typed, rows of highest, lowest and rain. */
export interface TypedNormals {
  high: string[];
  low: string[];
  rain: string[];
}
const empty = () => Array.from({ length: 12 }, () => '');
export const NO_NORMALS = (): TypedNormals => ({ high: empty(), low: empty(), rain: empty() });

/** Monthly normals typed in, or pasted a row at a time into its first field. */
export function NormalsFields({
  normals,
  setNormals,
  temperature,
  rain,
}: {
  normals: TypedNormals;
  setNormals(n: TypedNormals): void;
  temperature: string;
  rain: string;
}) {
  const rows = [
    ['high', `Mean daily highest, ${temperature}`],
    ['low', `Mean daily lowest, ${temperature}`],
    ['rain', `Rain, ${rain}`],
  ] as const;
  function set(row: keyof TypedNormals, month: number, text: string) {
    const values = text.trim().split(/[\s;\t]+/);
    const next = [...normals[row]];
    values.forEach((v, i) => {
      if (month + i < 12) next[month + i] = v.replace(',', '.');
    });
    setNormals({ ...normals, [row]: next });
  }
  return (
    <div className="overflow-x-auto">
      <table>
        <caption className="text-bark pb-1 text-left text-sm">
          Twelve figures a row. Pasting a whole row into January fills all twelve.
        </caption>
        <thead>
          <tr>
            <td />
            {MONTHS.map((m) => (
              <th key={m} scope="col" className="text-sm">
                {m}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([row, label]) => (
            <tr key={row}>
              <th scope="row" className="pr-2 text-left text-sm font-normal whitespace-nowrap">
                {label}
              </th>
              {MONTHS.map((m, i) => (
                <td key={m} className="p-0.5">
                  <input
                    className="input input-sm w-14! px-1"
                    inputMode="decimal"
                    aria-label={`${label}, ${m}`}
                    value={normals[row][i]}
                    onChange={(e) => set(row, i, e.target.value)}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
