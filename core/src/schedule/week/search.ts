import { MINUTE_MS } from '../benchHours';
import { bestOfTree, type TreePlaces } from './bestOfTree';
import { Busy, either, mark } from './busy';
import { clashesOf, usesOf, waysApart, type Clash, type Use } from './clash';
import { addCosts, compareCosts, compareGoals, countingOf, NO_COST } from './cost';
import { Loads, type Load } from './loads';
import type { PlacedJob, PlacedTask, WeekCost, WeekJob, WeekProblem } from './model';
import { gridOf, runningSums, slotsWithin } from './slots';
import { treeOf, type WeekTree } from './tree';
import { nothingForbidden, type Forbidden, type Taken, type World } from './world';

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

type Order = (a: Branch, b: Branch) => number;
/** By the goal, then those with fewer clashes: they are nearer to a plan. */
const byGoal: Order = (a, b) => compareGoals(a.cost, b.cost) || a.clashes - b.clashes;
/** … where any plan will do. */
const byClashes: Order = (a, b) => a.clashes - b.clashes || compareGoals(a.cost, b.cost);

/** A search for a plan: what was tried, and the best that was found. */
export class WeekSearch {
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
        // By itself as well as if the shop were its own: company makes it no better, but for the kiln's hours.
        const free = !instead && this.problem.goal !== 'kiln' ? this.alone(load) : undefined;
        if (found && free && compareGoals(found.cost, free.places.cost) === 0) break;
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
      if (spent >= most && (this.best || stuck > FIRST_TRIES || spent > FIRST_MOST)) return;
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
    any: boolean,
    tell: (share: number) => void,
  ): { proven: boolean; bound: WeekCost | undefined } {
    const order = any ? byClashes : byGoal;
    const open = [...roots].sort((a, b) => order(b, a));
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
        if (placed) insert(open, branchOf(bans, branch.placed.map((one, i) => (i === index ? placed : one))), order); // prettier-ignore
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
/** Loads placed without a plan before a first answer is given up. */
const FIRST_MOST = 1200;
/** Orders that find no plan before it is. */
const FIRST_TRIES = 8;

const minus = (a: WeekCost, b: WeekCost): WeekCost => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];

const zeroOf = ({ tree, places }: Placed): number =>
  Math.max(...tree.nodes.map((node, n) => (node.zero ? places.slots[n]! : 0)));

/** Dearest first, so that the cheapest is taken off the end; of equals the newest is taken first. */
function insert(open: Branch[], branch: Branch, order: Order): void {
  let [lo, hi] = [0, open.length];
  while (lo < hi) {
    const mid = (lo + hi) >> 1;
    if (order(open[mid]!, branch) >= 0) lo = mid + 1;
    else hi = mid;
  }
  open.splice(lo, 0, branch);
}
