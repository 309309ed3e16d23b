import { type DayIndex } from '../calendar/day.ts';
import { type Soil } from '../soil/soil.ts';
import { type Course } from '../stand/course.ts';
import { layDown } from '../stand/dead.ts';
import { type Variation } from '../stand/variation.ts';
import { type Plant } from '../stand/plant.ts';
import { type Member } from '../stand/species.ts';
import { stageNumber } from '../stand/stage.ts';
import { type Traits } from '../stand/traits.ts';
import { type Standing, type Work } from '../stand/work.ts';
import { higher, lower } from '../units/bounds.ts';
import { type Season } from '../weather/season.ts';
import { UNDER_COVER_LIVES } from './end.ts';
import { killsWeakened, lucky, passKills, TELLING_GAP_D } from './left.ts';
import { COVERING, type Covering, type PassKind, SHREDDED_TIMES, STAYS, TRIMS } from './method.ts';
import { deadAfter, deadUnder, heatNeeded } from './sheet.ts';
import { lose, mostOf, takeOff, turnUnder } from './matter.ts';
import { type Stubble, STUBBLE } from './stubble.ts';
import { diggingDay, dries, UNDRIED_LIVES } from './workable.ts';

/** One thing done to a stand, or seen on it, on a day of the season. */
export type Task =
  | {
      kind: PassKind;
      /** Day index; a pass that is still to come waits for ground it can be done on. */
      at: DayIndex;
      done: boolean;
      /** Comes off when the stand under it is dead, not before `at`. */
      whenDead?: boolean;
      /** Done only where more than this share of the plants that the first pass met is green by then. */
      ifGreen?: number;
    }
  /** Somebody looked and it was dead. */
  | { kind: 'seen-dead'; at: DayIndex }
  /** So many of so many crowns were green. */
  | { kind: 'crowns'; at: DayIndex; green: number; of: number };

/** Leaf that a full stand of stubs pushes from what its crowns hold, for kinds that shoot again most readily, m2/m2. */
const PUSHED_LEAF = 0.15;
/** A shoot from a bud near the ground is this far on its way to bud: it flowers sooner than one from seed. */
const RESHOOTS_AT = 0.5;
/** A grass keeps its growing tip in the ground until its stems lengthen. */
const TIP_LOW_BELOW = 1.6;
/** A look by an experienced eye is worth as much as this many crowns already counted: what the passes were expected to leave (judgement). */
export const EXPECTED_CROWNS = 10;
const LAID_ON_COVER_M = 0.05;
const NOTHING = 1e-9;

/** What all passes of a bed share. */
export interface Ground {
  members: Member[];
  soil: Soil;
  /** Longest time that a sheet may lie, days. */
  cap_d: number;
  /** How much longer than under a sound dark sheet it takes under the one at hand. */
  coverTimes?: number;
  /** What this garden's own results make of the odds that a pass kills. */
  killTimes?: number;
}

/** The work of one year: the tasks of a bed met by this year's stand and weather. `tasks` is in the order of days. */
export function workOf(tasks: readonly Task[], ground: Ground, season: Season, v: Variation): Work {
  return new Working(
    tasks.map((t) => ({ ...t })),
    ground,
    season,
    v,
  );
}

class Working implements Work {
  next = Infinity;
  private k = 0;
  /** Day of the last blow that told, and the least that is left of each member by it. */
  private struck = -Infinity;
  private before: number[] = [];
  private cover: { kind: Exclude<Covering, null>; laid: DayIndex; heat: number; deadOn: number } | null =
    null;
  private lowered = false;
  /** How tall it stood when it was first touched: a stand that is only bent over lies thick under a sheet. */
  private stood_m = 0;
  /** Plants alive, per member, when the first pass came. */
  private met: number[] | null = null;

  constructor(
    private readonly tasks: Task[],
    private readonly ground: Ground,
    private readonly season: Season,
    private readonly v: Variation,
  ) {
    this.plan();
  }

  private plan(): void {
    const task = this.tasks[this.k];
    this.next = lower(task ? task.at : Infinity, this.cover ? this.cover.deadOn : Infinity);
  }

  act(d: DayIndex, stand: Standing, course: Course): void {
    if (this.cover && this.cover.deadOn <= d) this.dieUnder(d, stand, course);
    for (let task = this.tasks[this.k]; task && task.at <= d; task = this.tasks[this.k]) {
      if ('done' in task && !task.done && (task.kind === 'dig' || task.kind === 'bury')) {
        const on = diggingDay(this.ground.soil, course, this.season, d);
        // The ground of days to come is not known yet: it is asked again tomorrow.
        if (on !== d) {
          task.at = d + 1;
          break;
        }
      }
      this.k++;
      this.do(task, d, stand, course);
    }
    this.plan();
  }

  private do(task: Task, d: DayIndex, stand: Standing, course: Course): void {
    const { plants } = stand;
    if ('ifGreen' in task && task.ifGreen !== undefined && this.green(plants) <= task.ifGreen) return;
    this.met ??= plants.map((q) => q.alive);
    this.stood_m = higher(this.stood_m, course.height_m[d]!);
    course.deeds.push({ day: d, kind: task.kind, met: mostOf(plants) });
    if (task.kind === 'seen-dead') return lose(0, d, stand, course);
    if (task.kind === 'crowns') return this.counted(task.green, task.of, plants);
    const covering = COVERING[task.kind];
    if (covering) return this.layCover(covering, d, stand, course);
    if (task.kind === 'lift-sheet') return this.lift(d, stand, course);
    if (task.kind === 'rake-off') return takeOff(STAYS['rake-off']!, stand, course);
    this.strike(task.kind, d, stand, course);
  }

  /** Share of the plants that the first pass met which is green now, of the member that holds out best. */
  private green(plants: Plant[]): number {
    const { met } = this;
    if (!met) return 1;
    let most = 0;
    for (let s = 0; s < plants.length; s++)
      if (met[s]! > NOTHING) most = higher(most, plants[s]!.alive / met[s]!);
    return most;
  }

  /** A blade, board, flame, beak or spade comes over the stand. */
  private strike(kind: PassKind, d: DayIndex, stand: Standing, course: Course): void {
    const stubble = STUBBLE[kind];
    if (!stubble) return;
    const { plants, traits } = stand;
    const { members, killTimes = 1 } = this.ground;
    let dm = 0;
    for (const q of plants) dm += q.dm;
    const sameBlow = d - this.struck < TELLING_GAP_D;
    const first = this.struck === -Infinity;
    if (!sameBlow) this.before = plants.map((q) => q.alive);
    const undried = kind === 'crimp' && !dries(this.season, d);
    const buried = kind === 'dig' || kind === 'bury';
    if (buried) turnUnder(d, stand, course);
    for (let s = 0; s < plants.length; s++) {
      const q = plants[s]!;
      if (q.alive <= 0) continue;
      const sp = members[s]!.species;
      let kill = lucky(passKills(kind, sp, q.stage, dm), this.v.killOdds * killTimes);
      if (undried) kill = lower(kill, 1 - UNDRIED_LIVES);
      if (!first && !sameBlow) kill = killsWeakened(kind, kill, sp.ending.chopStage === 'never');
      // Two blows within days are one: the better of them counts.
      const left = sameBlow ? lower(q.alive, this.before[s]! * (1 - kill)) : q.alive * (1 - kill);
      const share = left / q.alive;
      this.fell(q, traits[s]!, s, share, stubble, kind, sp.ending.regrowth, d, stand, course);
    }
    if (stubble.tipsGone || kind === 'crimp') this.lowered = true;
    if (passKills(kind, members[0]!.species, 3, dm) > 0.05) this.struck = d;
    if (buried) course.turned.push(d);
  }

  /** One member under one pass: what dies and what is cut off lies, leaves or is buried; what lives stands as stubble. */
  private fell(
    q: Plant,
    t: Traits,
    s: number,
    share: number,
    stubble: Stubble,
    kind: PassKind,
    regrowth: number,
    d: DayIndex,
    stand: Standing,
    course: Course,
  ): void {
    const { dm, n } = q;
    const stands = share * stubble.matter;
    const stays = STAYS[kind] ?? 1;
    const down = dm * (1 - stands);
    const downN = n * (1 - stands);
    const buried = kind === 'dig' || kind === 'bury';
    course.laid.push({
      day: d,
      member: s,
      dm_g_m2: down * stays,
      n_g_m2: downN * stays,
      killedDm_g_m2: dm * (1 - share),
      killedN_g_m2: n * (1 - share),
      buried,
      times: kind === 'flail' ? SHREDDED_TIMES : 1,
    });
    course.exported_g_m2 += down * (1 - stays);
    course.exportedN_g_m2 += downN * (1 - stays);
    // What is trimmed off a stand that lives on feeds it; what an ending lays is followed apart.
    if (!buried)
      layDown(
        stand.dead,
        down * stays,
        downN * stays,
        kind === 'flail' ? SHREDDED_TIMES : 1,
        TRIMS.has(kind) ? 1 : 0,
      );
    q.alive *= share;
    q.dm = dm * stands;
    q.n = n * stands;
    q.height = lower(q.height, higher(stubble.height_m, q.height * (stubble.heightShare ?? 0)));
    q.lai = q.lai * share * stubble.leaf;
    if (stubble.tipsGone)
      q.lai = higher(q.lai, lower(PUSHED_LEAF * regrowth, q.dm * t.leafArea_m2_g) * q.alive);
    if (stubble.tipsGone && !(t.grass && q.stage < TIP_LOW_BELOW)) {
      q.effective_cd = lower(q.effective_cd, RESHOOTS_AT * t.bud_cd);
      q.stage = stageNumber(t, q.effective_cd);
      q.flowered_d = 0;
    }
  }

  private layCover(kind: Exclude<Covering, null>, d: DayIndex, stand: Standing, course: Course): void {
    const { plants } = stand;
    const { members, cap_d, coverTimes = 1 } = this.ground;
    const alive = plants.map((q) => q.alive);
    const heat =
      heatNeeded(members, alive, 0, kind, this.stood_m, this.lowered) * this.v.coverHeat * coverTimes;
    const deadOn = heat === 0 ? d : deadUnder(this.season, kind, d, heat);
    this.cover = { kind, laid: d, heat, deadOn };
    stand.covered = true;
    course.covered.push([d, Infinity]);
    course.coverHeat.push({ day: d, film: kind === 'film', needs: heat });
    for (const q of plants) {
      q.lai = 0;
      q.height = lower(q.height, LAID_ON_COVER_M);
    }
    const lift = this.tasks.find((t, i) => i >= this.k && t.kind === 'lift-sheet');
    if (lift && 'whenDead' in lift && lift.whenDead) {
      lift.at = higher(lift.at, lower(deadOn, d + cap_d));
      // What was done stays in front: sorting keeps the order of equals.
      this.tasks.sort((x, y) => x.at - y.at);
    }
    if (deadOn <= d) this.dieUnder(d, stand, course);
  }

  /** Heat and dark have done it: what lay flattened under the sheet is dead. */
  private dieUnder(d: DayIndex, stand: Standing, course: Course): void {
    this.cover!.deadOn = Infinity;
    course.deeds.push({ day: d, kind: 'died-under', met: mostOf(stand.plants) });
    lose(UNDER_COVER_LIVES, d, stand, course);
  }

  private lift(d: DayIndex, stand: Standing, course: Course): void {
    const { cover } = this;
    if (!cover) return;
    const last = course.covered.at(-1)!;
    last[1] = d + 1;
    stand.covered = false;
    this.cover = null;
    const sum = cover.kind === 'film' ? this.season.filmHeat : this.season.sheetHeat;
    if (cover.deadOn < Infinity && cover.heat > 0)
      lose(1 - deadAfter(lower(1, (sum[d + 1]! - sum[cover.laid]!) / cover.heat)), d, stand, course);
    for (let s = 0; s < stand.plants.length; s++) {
      const q = stand.plants[s]!;
      q.lai = higher(q.lai, PUSHED_LEAF * this.ground.members[s]!.species.ending.regrowth * q.alive);
    }
  }

  /**
   * Crowns counted: what the passes were expected to leave counts like `EXPECTED_CROWNS` crowns beside those that were looked at (the mean of a beta
   * distribution), of those that stood when the first pass came.
   */
  private counted(green: number, of: number, plants: Plant[]): void {
    const expected = this.green(plants);
    const now = (EXPECTED_CROWNS * expected + green) / (EXPECTED_CROWNS + of);
    if (expected < NOTHING) return;
    for (const q of plants) {
      q.alive = lower(1, q.alive * (now / expected));
      q.lai *= now / expected;
    }
  }
}
