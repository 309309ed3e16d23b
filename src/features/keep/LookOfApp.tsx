import { useState } from 'react';
import { chooseLook, chosenLook, type Look } from '../../ui/theme.ts';

const WORDS: Record<Look, string> = {
  day: 'By day, for sunlight',
  night: 'By night, for the table after dark',
  device: 'As this device has it',
};

/** By day or by night; kept on this device alone. */
export function LookOfApp() {
  const [look, setLook] = useState(chosenLook);
  return (
    <fieldset>
      <legend className="font-display text-xl font-bold">How Kilim looks</legend>
      {(Object.keys(WORDS) as Look[]).map((l) => (
        <label key={l} className="flex min-h-11 items-center gap-3">
          <input
            type="radio"
            name="look"
            className="radio"
            checked={look === l}
            onChange={() => {
              chooseLook(l);
              setLook(l);
            }}
          />
          {WORDS[l]}
        </label>
      ))}
    </fieldset>
  );
}
