import { InputError, seededRandom } from '../../numeric';
import { MINUTE_MS } from '../benchHours';
import { bestOfTree, type TreePlaces } from './bestOfTree';
import { clashesOf, usesIn, usesOf, waysApart, type Clash, type Use } from './clash';
import { addCosts, compareCosts, compareGoals, countingOf, NO_COST } from './cost';
import { Loads, type Load } from './loads';
import type { PlacedJob, PlacedTask, WeekAnswer, WeekCost, WeekJob, WeekProblem } from './model';
import { gridOf, runningSums, slotsWithin } from './slots';
import { treeOf, type WeekTree } from './tree';
import { nothingForbidden, type Forbidden, type Taken, type World } from './world';

/** How much is tried before an answer is given, in loads placed. */
export interface Effort {
  /** By hand, one job after the other: one order at least, others until so many are placed. */
  orders: number;
  /** In the proof. */
  proof: number;
  /** Any plan will do: the first that is found is the answer. */
  anyPlan?: boolean;
}
/** A first answer, at once. */
export const FIRST_EFFORT: Effort = { orders: 0, proof: 0 };
export const FULL_EFFORT: Effort = { orders: 800, proof: 1600 };

/** What one load must not do with a thing, by a task or its hold of a kiln: use it in these slots, or begin to. */
interface Ban {
  load: Load;
  node: string;
  thing: string;
  what: keyof Forbidden;
  from: number;
  to: number;
  more: Ban | undefined;
}

/** A load as it was placed. */
interface Placed {
  load: Load;
  tree: WeekTree;
  places: TreePlaces;
  uses: Use[];
}

/** A part of the search: loads, what is banned, and the best places under that. */
interface Branch {
  bans: Ban | undefined;
  placed: readonly Placed[];
  cost: WeekCost;
  clash: Clash | undefined;
  clashes: number;
}

function branchOf(bans: Ban | undefined, placed: readonly Placed[]): Branch {
  const { first, count } = clashesOf(placed);
  const cost = placed.reduce((sum, { places }) => addCosts(sum, places.cost), NO_COST);
  return { bans, placed, cost, clash: first, clashes: count };
}

/** By the goal, then those with fewer clashes: they are nearer to a plan. */
const compareBranches = (a: Branch, b: Branch): number =>
  compareGoals(a.cost, b.cost) || a.clashes - b.clashes;

class WeekSearch {
  readonly world: World;
  tried = 0;
  best: Branch | undefined;
  readonly loads = new Loads();
  private readonly trees = new Map<Load, WeekTree[]>();
  private readonly free = new Map<Load, Placed | undefined>();

  constructor(private readonly problem: WeekProblem) {
    const grid = gridOf(problem.from, problem.to, problem.slotMin);
    this.world = {
      ...countingOf(problem, grid),
      known: new WeakMap(),
      windows: new WeakMap(),
      parts: new WeakMap(),
      there: new Map(problem.people.map(({ key, spans }) => [key, runningSums(slotsWithin(grid, spans))])),
    };
  }

  private treesOf(load: Load): WeekTree[] {
    let trees = this.trees.get(load);
    if (!trees) {
      const { slotMin } = this.problem;
      trees = load.ways.map((members) => treeOf(members, slotMin, this.world.grid.from));
      this.trees.set(load, trees);
    }
    return trees;
  }

  /** The cheapest way and places of a load; undefined where it has none. */
  private place(load: Load, forbidden: Forbidden): Placed | undefined {
    this.tried++;
    let best: Placed | undefined;
    for (const tree of this.treesOf(load)) {
      const places = bestOfTree(tree, this.world, forbidden);
      if (!places || (best && compareCosts(places.cost, best.places.cost) >= 0)) continue;
      best = { load, tree, places, uses: [] };
    }
    if (best) best.uses = usesOf(best.tree, best.places, this.world.grid, this.world.there);
    return best;
  }

  /** … with the shop to itself. */
  alone(load: Load): Placed | undefined {
    if (!this.free.has(load)) this.free.set(load, this.place(load, nothingForbidden));
    return this.free.get(load);
  }

  /** Loads each as if the shop were its own; undefined: one of them cannot be at all. */
  rootOf(loads: readonly Load[]): Branch | undefined {
    const placed = loads.map((load) => this.alone(load));
    return placed.every((one) => one !== undefined) ? branchOf(undefined, placed) : undefined;
  }

  /** A load placed so that its own tasks do not meet either: members of one load have hands of their own before the kiln. */
  private placeApart(load: Load, taken: Taken): Placed | undefined {
    const own = new Map<string, Uint8Array>();
    const both: Taken = (node, thing) => either(taken(node, thing), own.get(`${node}\n${thing}`));
    for (let n = 0; n < OWN_CLASHES; n++) {
      const placed = this.place(load, { ...nothingForbidden, taken: both });
      const clash = placed && clashesOf([placed]).first;
      if (!clash) return placed;
      const { node, thing } = clash.b.use;
      const marks = own.get(`${node}\n${thing}`) ?? new Uint8Array(this.world.grid.slots);
      own.set(`${node}\n${thing}`, marks);
      mark(marks, clash.a.use, 1);
    }
    return undefined;
  }

  /** One job after the other, each round what is placed: by itself, or into a kiln with others. A job: the one that found no place. */
  private inOrder(order: readonly WeekJob[]): Branch | WeekJob {
    const busy = new Busy(this.world.grid.slots);
    let placed: Placed[] = [];
    for (const job of order) {
      let found: { placed: Placed; cost: WeekCost; instead: Placed | undefined } | undefined;
      for (const instead of [undefined, ...placed]) {
        const load = this.loads.of([...(instead?.load.jobs ?? []), job]);
        if (!load) continue;
        if (instead) busy.change(instead.uses, -1);
        const one = this.placeApart(load, busy.taken);
        if (instead) busy.change(instead.uses, 1);
        const cost = one && minus(one.places.cost, instead?.places.cost ?? NO_COST);
        if (one && cost && (!found || compareCosts(cost, found.cost) < 0))
          found = { placed: one, cost, instead };
      }
      if (!found) return job;
      const { instead, placed: one } = found;
      if (instead) busy.change(instead.uses, -1);
      busy.change(one.uses, 1);
      placed = [...placed.filter((other) => other !== instead), one];
    }
    return branchOf(undefined, placed);
  }

  /** Good plans, quickly: jobs by when they would be over alone; who finds no place comes first; then other orders by chance. */
  byOrders(
    jobs: readonly WeekJob[],
    most: number,
    random: () => number,
    tell: (share: number) => void,
  ): void {
    const zeros = new Map(jobs.map((job) => [job, zeroOf(this.alone(this.loads.of([job])!)!)]));
    const usual = [...jobs].sort((a, b) => zeros.get(a)! - zeros.get(b)!);
    const begun = this.tried;
    let order = usual;
    for (let stuck = 0; ;) {
      const found = this.inOrder(order);
      if ('cost' in found) {
        if (!this.best || compareCosts(found.cost, this.best.cost) < 0) [this.best, stuck] = [found, 0];
        order = usual
          .map((job, at) => ({ job, by: at + random() * SHUFFLE }))
          .sort((a, b) => a.by - b.by)
          .map(({ job }) => job);
      } else {
        if (++stuck > jobs.length) return;
        order = [found, ...order.filter((job) => job !== found)];
      }
      const spent = this.tried - begun;
      tell(most > 0 ? Math.min(1, spent / most) : 1);
      if (spent >= most && (this.best || stuck > FIRST_TRIES)) return;
    }
  }

  /** Everything a load must not do in a branch. */
  private bansOf(bans: Ban | undefined, load: Load): Forbidden {
    const marks = { taken: new Map<string, Uint8Array>(), begins: new Map<string, Uint8Array>() };
    for (let ban = bans; ban; ban = ban.more) {
      if (ban.load !== load) continue;
      const key = `${ban.node}\n${ban.thing}`;
      const slots = marks[ban.what].get(key) ?? new Uint8Array(this.world.grid.slots);
      marks[ban.what].set(key, slots);
      slots.fill(1, ban.from, ban.to + 1);
    }
    return {
      taken: (node, thing) => marks.taken.get(`${node}\n${thing}`),
      begins: (node, thing) => marks.begins.get(`${node}\n${thing}`),
    };
  }

  /**
   * Best first: of the cheapest branch two uses that clash are taken, and one or the other is banned there. The first branch without a clash costs least of all.
   * `bound`: nothing that begins from these roots costs less.
   */
  prove(
    roots: readonly Branch[],
    most: number,
    tell: (share: number) => void,
  ): { proven: boolean; bound: WeekCost | undefined } {
    // prettier-ignore
    const open = [...roots].sort((a, b) => compareBranches(b, a));
    const begun = this.tried;
    for (let branch = open.pop(); branch; branch = open.pop()) {
      if (this.best && compareGoals(branch.cost, this.best.cost) >= 0) break;
      const { clash } = branch;
      if (!clash) {
        this.best = branch;
        break;
      }
      if (this.tried - begun >= most) return { proven: false, bound: branch.cost };
      for (const { load: index, use, ...ban } of waysApart(clash)) {
        const { load } = branch.placed[index]!;
        const bans: Ban = { load, node: use.node, thing: use.thing, ...ban, more: branch.bans };
        const placed = this.place(load, this.bansOf(bans, load));
        if (placed) insert(open, branchOf(bans, branch.placed.map((one, i) => (i === index ? placed : one)))); // prettier-ignore
      }
      tell(Math.min(1, (this.tried - begun) / most));
    }
    return { proven: true, bound: this.best?.cost };
  }

  jobsOf({ placed }: Branch): PlacedJob[] {
    const jobs = placed.flatMap((one) =>
      one.tree.members.map(({ job, way, nodes }): PlacedJob => ({
        key: job,
        way,
        together: one.tree.members.map((member) => member.job),
        tasks: this.tasksOf(one, nodes),
      })),
    );
    return this.withAfter(jobs, placed);
  }

  /** What may wait is placed last, that of the earliest job first, where hands and machines are left; what finds no place is left out. */
  private withAfter(jobs: readonly PlacedJob[], placed: readonly Placed[]): PlacedJob[] {
    const busy = new Busy(this.world.grid.slots);
    for (const { uses } of placed) busy.change(uses, 1);
    const done = new Map<string, PlacedTask[]>();
    const lastOf = ({ tasks }: PlacedJob): number => tasks.at(-1)!.to;
    for (const job of [...jobs].sort((a, b) => lastOf(a) - lastOf(b))) {
      const { after = [], key } = this.problem.jobs.find((one) => one.key === job.key)!;
      let ready = lastOf(job);
      for (const { task, leastMin } of after) {
        const notBefore = ready + leastMin * MINUTE_MS;
        const single: WeekJob = { key, ways: [{ tasks: [{ ...task, notBefore }], gaps: [], zero: 0 }] };
        const found = this.place({ jobs: [single], ways: [[{ job: single, way: 0 }]] }, { ...nothingForbidden, taken: busy.taken }); // prettier-ignore
        if (!found) break;
        busy.change(found.uses, 1);
        const [at] = this.tasksOf(found, [0]);
        done.set(key, [...(done.get(key) ?? []), at!]);
        ready = at!.to;
      }
    }
    const order = new Map(this.problem.jobs.map(({ key }, i) => [key, i]));
    return jobs
      .map((job) => ({ ...job, tasks: [...job.tasks, ...(done.get(job.key) ?? [])] }))
      .sort((a, b) => order.get(a.key)! - order.get(b.key)!);
  }

  private tasksOf({ tree, places }: Placed, nodes: readonly number[]): PlacedTask[] {
    const { grid } = this.world;
    const at = (minutes: number): number => Math.round(grid.from + minutes * MINUTE_MS);
    return nodes.map((n) => ({
      key: tree.nodes[n]!.task.key,
      from: at(places.slots[n]! * this.problem.slotMin + tree.nodes[n]!.offsetMin),
      to: at(places.ends[n]!),
      ...(places.who[n] === undefined ? {} : { who: places.who[n] }),
      ...(places.machine[n] === undefined ? {} : { machine: places.machine[n] }),
    }));
  }
}

/** As often as this two tasks of one load are moved apart before it is given up. */
const OWN_CLASHES = 40;
/** How far a job may come before or after its turn in an order by chance. */
const SHUFFLE = 4;
/** Orders that find no plan before a first answer is given up. */
const FIRST_TRIES = 8;

const minus = (a: WeekCost, b: WeekCost): WeekCost => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];

const zeroOf = ({ tree, places }: Placed): number =>
  Math.max(...tree.nodes.map((node, n) => (node.zero ? places.slots[n]! : 0)));

function mark(marks: Uint8Array, use: Use, by: 1 | -1): void {
  for (let slot = use.from; slot < use.to; slot++) if (usesIn(use, slot)) marks[slot] = marks[slot]! + by;
}

/** How many loads are at a thing, slot by slot. */
class Busy {
  private readonly marks = new Map<string, Uint8Array>();
  constructor(private readonly slots: number) {}

  change(uses: readonly Use[], by: 1 | -1): void {
    for (const use of uses) {
      const marks = this.marks.get(use.thing) ?? new Uint8Array(this.slots);
      this.marks.set(use.thing, marks);
      mark(marks, use, by);
    }
  }
  readonly taken: Taken = (_, thing) => this.marks.get(thing);
}

function either(a: Uint8Array | undefined, b: Uint8Array | undefined): Uint8Array | undefined {
  if (!a || !b) return a ?? b;
  return a.map((mark, i) => mark | b[i]!);
}

/** Dearest first, so that the cheapest is taken off the end; of equals the newest is taken first. */
function insert(open: Branch[], branch: Branch): void {
  let [lo, hi] = [0, open.length];
  while (lo < hi) {
    const mid = (lo + hi) >> 1;
    if (compareBranches(open[mid]!, branch) >= 0) lo = mid + 1;
    else hi = mid;
  }
  open.splice(lo, 0, branch);
}

function checked({ jobs, slotMin, from, to }: WeekProblem): void {
  if (!(slotMin > 0) || !(to > from)) throw new InputError('to', 'a stretch of time', to);
  for (const { ways, key } of jobs) {
    if (ways.length === 0) throw new InputError('ways', 'at least one way', key);
    for (const { tasks, gaps, zero } of ways) {
      if (tasks.length === 0 || gaps.length !== tasks.length - 1) throw new InputError('gaps', 'one between tasks', gaps.length); // prettier-ignore
      if (!tasks[zero]) throw new InputError('zero', 'a task', zero);
      for (const { minutes, handsMin } of tasks)
        if (!(minutes > 0 && minutes < 1e6 && handsMin >= 0 && handsMin <= minutes)) throw new InputError('minutes', 'above 0, hands within them', minutes); // prettier-ignore
    }
  }
}

/**
 * Times, people, machines and kilns for everything a shop has to do, the best by the goal: exact where the proof comes to an end, else good, with a bound that
 * no plan can be below (handbook 07, "Counting back from zero"). Each load alone is placed exactly; where loads want one thing at once, both ways out are
 * searched, the cheapest first. Throws InputError for what is no problem at all.
 */
export function solveWeek(
  problem: WeekProblem,
  effort: Effort = FULL_EFFORT,
  tell: (share: number) => void = () => undefined,
): WeekAnswer {
  checked(problem);
  const search = new WeekSearch(problem);
  const { jobs } = problem;
  const alone = jobs.filter((job) => !search.alone(search.loads.of([job])!));
  if (alone.length > 0) return { status: 'none', alone: alone.map(({ key }) => key), tried: search.tried };
  const random = seededRandom(7).uniform;
  search.byOrders(jobs, 0, random, () => undefined);
  const { sharings, all } = search.loads.sharings(jobs);
  // Where not every sharing can be tried, the one of the best plan is: it may be mended, though nothing is proven by it.
  const kept = all ? sharings : search.best ? [search.best.placed.map(({ load }) => load)] : sharings.slice(0, 1); // prettier-ignore
  const roots = kept.flatMap((loads) => search.rootOf(loads) ?? []);
  const share = effort.proof / Math.max(1, effort.orders + effort.proof);
  if (search.best && effort.anyPlan) return answerOf(search, problem, false, undefined);
  const { proven, bound } = search.prove(roots, effort.proof, (done) => tell(done * share));
  // What is proven needs no luck.
  if (!(proven && all) && effort.orders > 0)
    search.byOrders(jobs, effort.orders, random, (done) => tell(share + done * (1 - share)));
  if (!search.best && proven && all) return { status: 'none', alone: [], tried: search.tried };
  return answerOf(search, problem, proven && all, all ? bound : undefined);
}

function answerOf(
  search: WeekSearch,
  problem: WeekProblem,
  proven: boolean,
  bound: WeekCost | undefined,
): WeekAnswer {
  // prettier-ignore
  const { best, tried } = search;
  if (!best) return { status: 'not found', tried };
  const { cost } = best;
  return { status: 'planned', best: proven, jobs: search.jobsOf(best), cost, bound: bound ?? boundOfAlone(search, problem), tried }; // prettier-ignore
}

/** What holds for any sharing of kilns: no job is poured sooner, or nearer to when it is wanted, than with the shop to itself. */
function boundOfAlone(search: WeekSearch, { goal, jobs }: WeekProblem): WeekCost {
  if (goal === 'civil' || goal === 'kiln') return NO_COST;
  const first = jobs.map((job) => search.alone(search.loads.of([job])!)!.places.cost[0]);
  return [first.reduce((sum, one) => sum + one, 0), 0, 0];
}
