import { useCallback, useEffect, useRef, useState } from 'react';
import { type Evenness } from '../../core/broadcast/evenness.ts';
import { type Hand } from '../../core/broadcast/hand.ts';
import { crossedPortions, type Ground } from '../../core/broadcast/walk.ts';
import { Yard } from '../../workers/yard/client.ts';
import { type Frames } from '../../workers/yard/protocol.ts';

/** A walk is drawn over this long; at once where motion is reduced. */
const WALK_S = 6;
const KEPT = 6;

/** One run that was thrown, by what it was. */
export interface Past {
  name: string;
  evenness: Evenness;
}

/** The simulated bed on its canvas, and what was thrown on it. @param seed_mg weight of one seed */
export function useYard(ground: Ground, seed_mg: number) {
  const [evenness, setEvenness] = useState<Evenness>();
  const [seeds, setSeeds] = useState(0);
  const [frames, setFrames] = useState<Frames>();
  const [past, setPast] = useState<Past[]>([]);
  const [busy, setBusy] = useState(false);
  const yard = useRef<Yard>(undefined);
  const bed = useRef<HTMLCanvasElement>(null);
  const name = useRef('');
  const luck = useRef(1);
  const canvas = useCallback((element: HTMLCanvasElement | null) => {
    if (!element || yard.current) return;
    bed.current = element;
    yard.current = new Yard(element, (m) => {
      setEvenness(m.evenness);
      setSeeds(m.seeds);
      if (m.type === 'done') {
        setBusy(false);
        setFrames(m.frames);
        setPast((p) => [{ name: name.current, evenness: m.evenness }, ...p].slice(0, KEPT));
      }
    });
  }, []);
  useEffect(
    () => () => {
      yard.current?.close();
      yard.current = undefined;
    },
    [],
  );
  const clear = useCallback(() => {
    yard.current?.tell({ type: 'ground', ground, seed_mg, colour: '#3c2a20' });
    setEvenness(undefined);
    setSeeds(0);
  }, [ground, seed_mg]);
  useEffect(clear, [clear]);
  const throwIt = (kind: string, portions: number, hand: Hand, many: number) => {
    clear();
    setBusy(true);
    luck.current += 1;
    name.current = `${kind}, ${portions === 1 ? 'one throw' : `${portions} throws crossed`}${hand.wind_m_s > 0 ? `, wind ${hand.wind_m_s} m/s` : ''}`;
    // The buttons stand below the bed; on a phone it would be out of sight.
    bed.current?.scrollIntoView({ block: 'center' });
    const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    yard.current?.tell({
      type: 'run',
      portions: crossedPortions(many, portions),
      hand,
      luck: luck.current,
      seconds: still ? 0 : WALK_S,
    });
  };
  const cast = (hand: Hand, x_m: number, y_m: number, n: number, along: boolean) =>
    yard.current?.tell({ type: 'cast', hand, x_m, y_m, seeds: n, along, luck: ++luck.current });
  return { canvas, evenness, seeds, frames, past, busy, clear, throwIt, cast };
}
