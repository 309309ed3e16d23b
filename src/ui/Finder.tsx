import { X } from 'lucide-react';
import { useState } from 'react';
import { TextField } from './fields.tsx';

interface Props<T> {
  label: string;
  hint?: string;
  /** What was chosen, in words; null while nothing is. */
  chosen: string | null;
  find(typed: string): T[];
  nameOf(one: T): string;
  idOf(one: T): string;
  choose(one: T | null): void;
  /** What is said where nothing of that name is known. */
  nothing: string;
  /** Offered before anything is typed. */
  first?: T[];
}

/** One of many, found while it is typed. */
export function Finder<T>(p: Props<T>) {
  const [typed, setTyped] = useState('');
  const blank = typed.trim() === '';
  const found = p.chosen !== null ? [] : blank ? (p.first ?? []) : p.find(typed);
  if (p.chosen !== null)
    return (
      <div>
        <p className="font-semibold">{p.label}</p>
        <button
          type="button"
          className="btn bg-paper mt-1 min-h-11 justify-between gap-3 text-left"
          onClick={() => {
            setTyped('');
            p.choose(null);
          }}
        >
          {p.chosen}
          <X size={16} strokeWidth={1.5} aria-label="choose another" />
        </button>
      </div>
    );
  return (
    <div>
      <TextField label={p.label} hint={p.hint} value={typed} onChange={setTyped} />
      {found.length > 0 && (
        <ul className="mt-2 flex flex-wrap gap-2" aria-label={`${p.label}: found`}>
          {found.map((one) => (
            <li key={p.idOf(one)}>
              <button type="button" className="btn min-h-11" onClick={() => p.choose(one)}>
                {p.nameOf(one)}
              </button>
            </li>
          ))}
        </ul>
      )}
      {!blank && found.length === 0 && <p className="mt-1">{p.nothing}</p>}
    </div>
  );
}
