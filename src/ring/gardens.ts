import { useLiveQuery } from 'dexie-react-hooks';
import { hands } from './garden.tsx';

/** Gardens that ship with Kilim to look round in. */
export const MADE_UP = ['north-shore', 'two-gums'] as const;
export const isMadeUp = (id: string): id is (typeof MADE_UP)[number] =>
  (MADE_UP as readonly string[]).includes(id);

export interface GardenHere {
  id: string;
  name: string;
  madeUp: boolean;
}

/** Every garden of this browser, the gardener's own first; empty while they are sought. */
export function useGardens(): GardenHere[] {
  const found = useLiveQuery(() =>
    hands.db.gardens.toArray().then(
      (all) => all.map(({ id, name }) => ({ id, name, madeUp: isMadeUp(id) })),
      // The notice over every screen says what is wrong with the storage.
      () => [],
    ),
  );
  return [...(found ?? [])].sort(
    (a, b) => Number(a.madeUp) - Number(b.madeUp) || a.name.localeCompare(b.name),
  );
}
