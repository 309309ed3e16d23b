import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { fail, ok, type Result } from '../../core/result/result.ts';
import { type Cover, type Look, type Prediction } from '../types.ts';
import { BLANK_LOOK, checkCover, type Done, type Hands, meta } from '../verbs/verbs.ts';
import { type Wish, writeFrom } from '../write.ts';

// Deeds at the end of a cover. Each reads the cover as it stands when it is written, so that two taps, or two tabs, never undo each other.

/** Most plans that are remembered of one cover. */
const REMEMBERED = 60;

interface Change {
  cover: Cover;
  look?: Look;
}

async function change(
  hands: Hands,
  gardenId: string,
  coverId: string,
  verb: string,
  label: string,
  how: (cover: Cover) => Result<Change>,
): Done {
  return writeFrom(hands.db, meta(hands, gardenId, verb, label), async () => {
    const cover = await hands.db.covers.get(coverId);
    if (!cover) return fail('cover-gone');
    const changed = how(cover);
    if (!changed.ok) return changed;
    const checked = await checkCover(hands, changed.value.cover);
    if (!checked.ok) return checked;
    const wishes: Wish[] = [{ table: 'covers', put: changed.value.cover }];
    if (changed.value.look) wishes.push({ table: 'looks', put: changed.value.look });
    return ok(wishes);
  });
}

type Of = Pick<Cover, 'id' | 'gardenId'>;

/**
 * Writes down that a pass of the ending was done. Steps still to come keep their distance from it: a sheet laid a fortnight late comes off a fortnight later.
 * Fails with `cover-gone`, `pass-gone` or `dates-out-of-order`.
 */
export const logPass = (hands: Hands, of: Of, index: number, on: string, label: string): Done =>
  change(hands, of.gardenId, of.id, 'log-pass', label, (cover) => {
    const pass = cover.passes[index];
    if (!pass) return fail('pass-gone');
    const shift = dayOf(on) - dayOf(pass.doneOn ?? pass.due);
    const passes = cover.passes.map((p, i) => {
      if (i === index) return { ...p, doneOn: on };
      if (i < index || p.doneOn) return p;
      return { ...p, due: isoOf(Math.max(dayOf(on), dayOf(p.due) + shift)) };
    });
    return ok({ cover: { ...cover, passes } });
  });

/**
 * Writes down a step that nobody had planned: hay or shoots taken, a trim, something raked off. What is still to come stays as it is.
 * Fails with `cover-gone` or `dates-out-of-order`.
 */
export const addPass = (
  hands: Hands,
  of: Of,
  done: { kind: string; on: string; took_kg?: number },
  label: string,
): Done =>
  change(hands, of.gardenId, of.id, 'add-pass', label, (cover) => {
    if (!cover.sownOn || done.on < cover.sownOn)
      return fail('dates-out-of-order', 'this step', { first: cover.sownOn ?? cover.sowOn, then: done.on });
    const { kind, on, took_kg } = done;
    const pass = { kind, due: on, doneOn: on, ...(took_kg === undefined ? {} : { took_kg }) };
    const past = [...cover.passes.filter((p) => p.doneOn), pass].sort((a, b) =>
      a.doneOn!.localeCompare(b.doneOn!),
    );
    return ok({ cover: { ...cover, passes: [...past, ...cover.passes.filter((p) => !p.doneOn)] } });
  });

/** What is said of a step once it was done. */
export type SaidOfPass = Partial<Pick<Cover['passes'][number], 'minutes' | 'expected' | 'by' | 'took_kg'>>;

/** Writes down how long a step took, who did it and what left the bed with it. Fails with `cover-gone` or `pass-gone`. */
export const notePass = (hands: Hands, of: Of, index: number, said: SaidOfPass, label: string): Done =>
  change(hands, of.gardenId, of.id, 'note-pass', label, (cover) =>
    cover.passes[index]
      ? ok({
          cover: { ...cover, passes: cover.passes.map((p, i) => (i === index ? { ...p, ...said } : p)) },
        })
      : fail('pass-gone'),
  );

/** Writes down that the cover was seen dead. What was still to be done to kill it is no longer due. */
export const seeDead = (hands: Hands, of: Of, on: string): Done =>
  change(hands, of.gardenId, of.id, 'see-dead', 'seeing it dead', (cover) =>
    ok({ cover: { ...cover, verdict: 'dead', endedOn: on } }),
  );

/** Takes back that it was seen dead: it was not. */
export const seeAlive = (hands: Hands, of: Of): Done =>
  change(hands, of.gardenId, of.id, 'see-alive', 'it is not dead', (cover) =>
    ok({ cover: { ...cover, verdict: null, endedOn: null } }),
  );

/** Something laid on it still lies: what is green under it now may well be dead when it comes off. */
const liesCovered = (cover: Cover): boolean =>
  cover.passes.some((p) => p.doneOn && p.kind.startsWith('lay-')) &&
  cover.passes.some((p) => !p.doneOn && p.kind === 'lift-sheet');

/**
 * Writes down how many crowns were green of those that were looked at: a look of its own, and with any green the question how to end it is open again.
 * None green of any is no proof alone; that it is dead is said by `seeDead`.
 */
export const countCrowns = (hands: Hands, of: Of, seen: { on: string; green: number; of: number }): Done =>
  change(hands, of.gardenId, of.id, 'count-crowns', `${seen.green} of ${seen.of} crowns green`, (cover) => {
    if (!cover.sownOn || seen.on < cover.sownOn)
      return fail('look-before-sowing', undefined, { sown: cover.sownOn ?? '', look: seen.on });
    return ok({
      cover: seen.green > 0 && !liesCovered(cover) ? { ...cover, verdict: 'regrew', endedOn: null } : cover,
      look: {
        id: hands.newId(),
        gardenId: cover.gardenId,
        bedId: cover.bedId,
        coverId: cover.id,
        on: seen.on,
        ...BLANK_LOOK,
        crowns: { green: seen.green, of: seen.of },
      },
    });
  });

export interface ChosenEnding {
  method: string;
  passes: Cover['passes'];
  predicted: Prediction;
}

/**
 * Settles on a way of ending. What was done stays done, what was planned until now is remembered with the day and the reason it was given up, and the
 * prediction is kept beside it.
 */
export const chooseEnding = (
  hands: Hands,
  of: Of,
  chosen: ChosenEnding,
  today: string,
  why: Cover['formerPlans'][number]['why'],
  label: string,
): Done =>
  change(hands, of.gardenId, of.id, 'choose-ending', label, (cover) => {
    const waiting = cover.passes.find((p) => !p.doneOn);
    const former = { until: today, method: cover.method, due: waiting?.due ?? null, why };
    return ok({
      cover: {
        ...cover,
        method: chosen.method,
        passes: [...cover.passes.filter((p) => p.doneOn), ...chosen.passes],
        predicted: chosen.predicted,
        formerPlans: [...cover.formerPlans, former].slice(-REMEMBERED),
      },
    });
  });
