import { findSpecies } from '../catalogue/catalogue.ts';
import { shiftFor } from '../core/stand/shift.ts';
import { killWords, shiftWords } from '../ui/learntWords.ts';
import { useGarden } from './garden.tsx';

/** By how much this garden's own results move what is said of a kind and a way of sowing it, and of a way of ending it; nothing while forecasts go by the book. */
export function LearntLine({
  kind,
  wayId,
  method,
}: {
  kind: string;
  wayId: string;
  method?: string | undefined;
}) {
  const { garden } = useGarden();
  const shift = shiftFor(garden.learnt?.shifts, kind, wayId);
  const words = shiftWords(
    shift as Parameters<typeof shiftWords>[0],
    findSpecies(kind)?.stages.flower_cd ?? 800,
    garden.units,
  );
  const kills = killWords(method === undefined ? undefined : garden.learnt?.kills?.[method]);
  const said = [words, kills].filter(Boolean).join(' ');
  return said ? <p className="text-bark mt-1">{said}</p> : null;
}
