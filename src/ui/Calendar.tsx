import { type CSSProperties } from 'react';
import { DayPicker } from 'react-day-picker';
import 'react-day-picker/style.css';
import { FIRST_DAY, LAST_DAY } from '../core/calendar/typedDay.ts';

const LOOK = {
  '--rdp-accent-color': 'var(--color-madder)',
  '--rdp-day_button-border-radius': '0',
  '--rdp-day-height': '2.25rem',
  '--rdp-day-width': '2.25rem',
} as CSSProperties;

const local = (iso: string): Date => new Date(`${iso}T12:00:00`);
const isoOfLocal = (d: Date): string =>
  `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`;

/** A month to pick a day from; loaded when first opened. */
export default function Calendar({ value, pick }: { value: string; pick(iso: string): void }) {
  const selected = value ? local(value) : undefined;
  return (
    <DayPicker
      mode="single"
      required={false}
      weekStartsOn={1}
      style={LOOK}
      selected={selected}
      defaultMonth={selected}
      startMonth={local(FIRST_DAY)}
      endMonth={local(LAST_DAY)}
      onSelect={(d) => d && pick(isoOfLocal(d))}
    />
  );
}
