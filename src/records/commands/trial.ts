import { fail, ok } from '../../core/result/result.ts';
import { type Trial } from '../types.ts';
import { type Done, type Hands, meta } from '../verbs/verbs.ts';
import { writeFrom } from '../write.ts';
import { piecesCut } from './pieces.ts';

const changed = (
  hands: Hands,
  gardenId: string,
  verb: string,
  label: string,
  to: (trials: Trial[]) => Trial[] | undefined,
  joins = false,
): Done =>
  writeFrom(hands.db, { ...meta(hands, gardenId, verb, label), joins }, async () => {
    const garden = await hands.db.gardens.get(gardenId);
    if (!garden) return fail('garden-gone');
    const trials = to(garden.trials);
    return trials ? ok([{ table: 'gardens', put: { ...garden, trials } }]) : fail('trial-gone');
  });

/** Sets a trial: question, treatments, measure and lots are fixed from here on. */
export const setTrial = (hands: Hands, gardenId: string, trial: Trial): Done =>
  changed(hands, gardenId, 'set-trial', 'a trial', (trials) => [...trials, trial]);

/** Writes down what was measured on one plot; null takes it back. Fails with `trial-gone`. */
export const measurePlot = (
  hands: Hands,
  gardenId: string,
  trialId: string,
  plot: number,
  value: number | null,
): Done =>
  changed(hands, gardenId, 'measure-plot', `plot ${plot + 1} of a trial`, (trials) => {
    const stands = trials.find((t) => t.id === trialId);
    if (!stands?.plots[plot]) return undefined;
    const plots = stands.plots.map((p, i) => (i === plot ? { ...p, value } : p));
    return trials.map((t) => (t.id === trialId ? { ...t, plots } : t));
  });

/**
 * Cuts the bed of a trial into its plots, so that each has covers, passes and looks of its own. Fails with `trial-gone`, or as cutting a bed does; a trial whose
 * plots lie on several beds, or are pieces already, is left as it is.
 */
export const cutIntoPlots = (hands: Hands, gardenId: string, trialId: string, on: string): Done =>
  writeFrom(
    hands.db,
    meta(hands, gardenId, 'cut-bed', 'cutting a bed into the plots of a trial'),
    async () => {
      const garden = await hands.db.gardens.get(gardenId);
      const trial = garden?.trials.find((t) => t.id === trialId);
      if (!garden || !trial) return fail('trial-gone');
      const bed = await hands.db.beds.get(trial.plots[0]!.bedId);
      if (!bed) return fail('bed-gone');
      if (trial.plots.some((p) => p.bedId !== bed.id)) return ok([]);
      const cut = await piecesCut(hands, bed.id, {
        on,
        today: on,
        side: 'across',
        pieces: trial.plots.map((_, i) => ({ name: `${bed.name} plot ${i + 1}`, use: 'bed', share: 1 })),
      });
      if (!cut.ok) return cut;
      const plots = trial.plots.map((p, i) => ({ ...p, bedId: cut.value.pieces[i]!.id }));
      const trials = garden.trials.map((t) => (t.id === trialId ? { ...t, plots } : t));
      return ok([...cut.value.wishes, { table: 'gardens', put: { ...garden, trials } }]);
    },
  );

export const removeTrial = (hands: Hands, gardenId: string, trialId: string): Done =>
  changed(hands, gardenId, 'remove-trial', 'taking a trial away', (trials) =>
    trials.filter((t) => t.id !== trialId),
  );
