import { LARGEST, textOf } from '../records/files/bytes.ts';
import { useState } from 'react';
import { isoOf } from '../core/calendar/day.ts';
import { type ObservedDay } from '../core/weather/generate.ts';
import {
  type BadRow,
  type CsvTable,
  type WeatherColumns,
  guessColumns,
  readDays,
  readTable,
} from '../records/files/weatherCsv.ts';
import { failureWords } from '../ui/failureWords.ts';
import { Field } from '../ui/parts.tsx';

const WHY: Record<BadRow['why'], string> = {
  swapped: 'the lowest is above the highest',
  date: 'date not read',
  temperature: 'a temperature is missing',
  range: 'a value no weather has',
  twice: 'the day is there twice',
};

/** Reads a station's file: the gardener says which column is which and sees the first days as understood. */
export function WeatherFile({ onDays, hint }: { onDays(days: ObservedDay[] | null): void; hint: string }) {
  const [table, setTable] = useState<CsvTable | null>(null);
  const [columns, setColumns] = useState<WeatherColumns | null>(null);
  const [problem, setProblem] = useState('');
  const read = table && columns ? readDays(table, columns) : null;

  const settle = (t: CsvTable, c: WeatherColumns) => {
    setColumns(c);
    const r = readDays(t, c);
    setProblem(r.ok ? '' : failureWords(r.failure));
    onDays(r.ok ? r.value.days : null);
  };
  const open = async (file: File | undefined) => {
    if (!file) return;
    const text = await textOf(file, LARGEST.table);
    const t = text.ok ? readTable(text.value) : text;
    if (!t.ok) {
      setTable(null);
      onDays(null);
      return setProblem(failureWords(t.failure));
    }
    setTable(t.value);
    settle(t.value, guessColumns(t.value));
  };
  const column = (key: 'date' | 'tmin' | 'tmax' | 'rain', label: string) => (
    <Field label={label}>
      {(id) => (
        <select
          id={id}
          className="select"
          value={columns![key]}
          onChange={(e) => settle(table!, { ...columns!, [key]: Number(e.target.value) })}
        >
          <option value={-1}>choose a column</option>
          {table!.headers.map((h, i) => (
            <option key={i} value={i}>
              {h}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
  return (
    <div className="flex flex-col gap-3">
      <Field label="Daily weather, CSV" hint={hint}>
        {(id) => (
          <input
            id={id}
            type="file"
            accept=".csv,.txt,text/csv"
            className="file-input"
            onChange={(e) => void open(e.target.files?.[0])}
          />
        )}
      </Field>
      {problem && (
        <p role="alert" className="text-madder font-semibold">
          {problem}
        </p>
      )}
      {table && columns && (
        <>
          <div className="grid gap-3 sm:grid-cols-4">
            {column('date', 'Date')}
            {column('tmin', 'Lowest')}
            {column('tmax', 'Highest')}
            {column('rain', 'Rain')}
            <Field label="Date order">
              {(id) => (
                <select
                  id={id}
                  className="select"
                  value={columns.dateOrder}
                  onChange={(e) =>
                    settle(table, { ...columns, dateOrder: e.target.value as WeatherColumns['dateOrder'] })
                  }
                >
                  <option value="ymd">year month day</option>
                  <option value="dmy">day month year</option>
                  <option value="mdy">month day year</option>
                </select>
              )}
            </Field>
            <Field label="Temperature in">
              {(id) => (
                <select
                  id={id}
                  className="select"
                  value={columns.temperature}
                  onChange={(e) => settle(table, { ...columns, temperature: e.target.value as 'c' | 'f' })}
                >
                  <option value="c">°C</option>
                  <option value="f">°F</option>
                </select>
              )}
            </Field>
            <Field label="Rain in">
              {(id) => (
                <select
                  id={id}
                  className="select"
                  value={columns.rainUnit}
                  onChange={(e) => settle(table, { ...columns, rainUnit: e.target.value as 'mm' | 'in' })}
                >
                  <option value="mm">mm</option>
                  <option value="in">inches</option>
                </select>
              )}
            </Field>
          </div>
          {read?.ok && (
            <div>
              <p className="font-semibold">
                Understood: {read.value.days.length} days
                {read.value.bad.length > 0 && `, ${read.value.bad.length} rows left out`}
              </p>
              <table className="table-sm mt-1 table max-w-md">
                <thead>
                  <tr>
                    <th>Day</th>
                    <th>Lowest °C</th>
                    <th>Highest °C</th>
                    <th>Rain mm</th>
                  </tr>
                </thead>
                <tbody>
                  {read.value.days.slice(0, 4).map((d) => (
                    <tr key={d.day}>
                      <td>{isoOf(d.day)}</td>
                      <td>{d.tmin_c.toFixed(1)}</td>
                      <td>{d.tmax_c.toFixed(1)}</td>
                      <td>{d.rain_mm.toFixed(1)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              {read.value.bad.slice(0, 3).map((b) => (
                <p key={b.line} className="text-bark text-sm">
                  Line {b.line}: {WHY[b.why]}
                </p>
              ))}
            </div>
          )}
        </>
      )}
    </div>
  );
}
