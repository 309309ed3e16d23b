import { useLiveQuery } from 'dexie-react-hooks';
import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from 'react';
import { knowOwnKinds } from '../catalogue/catalogue.ts';
import { worked } from '../core/bed/pieces.ts';
import { dayOf, isoOf } from '../core/calendar/day.ts';
import { type Failure, type Result } from '../core/result/result.ts';
import { storageFailure } from '../records/write.ts';
import { KilimDatabase } from '../records/db.ts';
import type { Bed } from '../records/types.ts';
import { isOutdated } from '../records/trouble.ts';
import { type GardenContents, type Hands, readGarden } from '../records/verbs/verbs.ts';
import { still } from './stillness.ts';

const DEVICE_KEY = 'kilim.device';

/** A name of its own for this browser, so that the words of a phone and a laptop can be told apart. */
function thisDevice(): string {
  try {
    const known = localStorage.getItem(DEVICE_KEY);
    if (known) return known;
    const made = crypto.randomUUID();
    localStorage.setItem(DEVICE_KEY, made);
    return made;
  } catch {
    // Storage is denied: the words of this visit still have a name.
    return crypto.randomUUID();
  }
}

/** The thin ring between records and React: one database, one clock, the garden that is open. */
export const hands: Hands = {
  db: new KilimDatabase(),
  now: () => new Date().toISOString(),
  newId: () => crypto.randomUUID(),
  device: thisDevice(),
};

/** Local calendar day; the season clock of a garden outranks it. */
export function realToday(): string {
  const now = new Date();
  return isoOf(Math.floor((now.getTime() - now.getTimezoneOffset() * 60_000) / 86_400_000));
}

const LOOKED_MS = 20_000;

/** Today, turning at midnight on a screen that stays open. */
function useRealToday(): string {
  const [day, setDay] = useState(realToday);
  useEffect(() => {
    const look = () => setDay(realToday());
    const timer = setInterval(look, LOOKED_MS);
    // A phone that slept over midnight wakes on the new day.
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
    };
  }, []);
  return day;
}

export interface Ring extends GardenContents {
  today: string;
  /** The ground that is worked from today on: beds that are not cut now, and pieces of those that are. */
  ground: Bed[];
  hands: Hands;
  /** Runs a verb and tells the gardener when it failed; true when it was done. */
  run<T>(work: Promise<Result<T>>): Promise<boolean>;
}

/** What the garden calls its own is known to every screen before any of them is drawn. */
function known(garden: GardenContents['garden']): true {
  knowOwnKinds(garden.ownKinds ?? []);
  return true;
}

function inOrder(all: readonly Bed[], today: string): { beds: Bed[]; ground: Bed[] } {
  const beds = [...all].sort((a, b) => a.order - b.order);
  return { beds, ground: worked(beds, dayOf(today)) };
}

const RingContext = createContext<Ring | null>(null);

export function GardenRing(props: {
  gardenId: string;
  tell(f: Failure): void;
  /** A write went through: an earlier problem no longer stands. */
  wentWell(): void;
  /** Something is kept here now. */
  saved(): void;
  children: ReactNode;
  missing: ReactNode;
  waiting: ReactNode;
}) {
  const { gardenId, tell, wentWell, saved } = props;
  const day = useRealToday();
  const contents = useLiveQuery(async () => {
    try {
      const read = (await readGarden(hands.db, gardenId)) ?? null;
      await still();
      return read;
    } catch (error) {
      // The notice over every screen says it, and that reloading is the way on: this screen only waits.
      if (isOutdated(error)) return undefined;
      throw error;
    }
  }, [gardenId]);
  const ring = useMemo<Ring | null>(
    () =>
      contents && known(contents.garden)
        ? {
            ...contents,
            ...inOrder(contents.beds, contents.garden.seasonClock ?? day),
            today: contents.garden.seasonClock ?? day,
            hands,
            run: async (work) => {
              const result = await work.catch(storageFailure);
              if (result.ok) {
                wentWell();
                saved();
              } else tell(result.failure);
              return result.ok;
            },
          }
        : null,
    [contents, day, tell, wentWell, saved],
  );
  if (contents === undefined) return props.waiting;
  if (!ring) return props.missing;
  return <RingContext.Provider value={ring}>{props.children}</RingContext.Provider>;
}

export function useGarden(): Ring {
  const ring = useContext(RingContext);
  if (!ring) throw new Error('useGarden outside GardenRing');
  return ring;
}
