import { InputError, seededRandom } from '../../numeric';
import { MINUTE_MS } from '../benchHours';
import { bestOfTree, type Taken, type TreePlaces, type World } from './bestOfTree';
import { firstClash, usesIn, usesOf, type Use } from './clash';
import { addCosts, compareCosts, countingOf, NO_COST } from './cost';
import { sharings, type Load } from './loads';
import type { PlacedJob, WeekAnswer, WeekCost, WeekJob, WeekProblem } from './model';
import { gridOf, runningSums, slotsWithin } from './slots';
import { treeOf, type WeekTree } from './tree';

/** How much is tried before an answer is given. Loads placed. */
export interface Effort {
  /** By hand: one after the other, in other orders. */
  orders: number;
  /** In the proof. */
  placings: number;
}
/** A first answer, at once. */
export const FIRST_EFFORT: Effort = { orders: 1, placings: 0 };
export const FULL_EFFORT: Effort = { orders: 24, placings: 4000 };

/** What must not be used in a slot, by one load: its task or hold, and the thing. */
interface Ban {
  load: Load;
  node: string;
  thing: string;
  slot: number;
  more: Ban | undefined;
}

/** A load as it was placed. */
interface Placed {
  load: Load;
  tree: WeekTree;
  places: TreePlaces;
  uses: Use[];
}

/** A part of the search: how loads are put together, what is banned, and the best places under that. */
interface Branch {
  loads: readonly Load[];
  bans: Ban | undefined;
  placed: readonly Placed[];
  cost: WeekCost;
}

class WeekSearch {
  readonly world: World;
  tried = 0;
  best: Branch | undefined;
  private readonly trees = new Map<Load, WeekTree[]>();

  constructor(
    private readonly problem: WeekProblem,
    private readonly tell: (share: number) => void,
  ) {
    const grid = gridOf(problem.from, problem.to, problem.slotMin);
    this.world = {
      ...countingOf(problem, grid),
      there: new Map(
        problem.people.map(({ key, spans }) => [key, runningSums(slotsWithin(grid, spans))]),
      ),
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
  place(load: Load, index: number, taken: Taken): Placed | undefined {
    this.tried++;
    let best: Placed | undefined;
    for (const tree of this.treesOf(load)) {
      const places = bestOfTree(tree, this.world, taken);
      if (!places || (best && compareCosts(places.cost, best.places.cost) >= 0)) continue;
      best = { load, tree, places, uses: [] };
    }
    if (best) best.uses = usesOf(best.tree, best.places, index, this.world.grid, this.world.there);
    return best;
  }

  /** Loads one after the other, each round what was placed before it; undefined: the load that found no place. */
  private inOrder(loads: readonly Load[], order: readonly number[]): Branch | number {
    const busy = new Map<string, Uint8Array>();
    const { slots } = this.world.grid;
    const placed: Placed[] = [];
    // Within a load, one task's bans are not another's: what two of its own tasks want at once is settled below.
    for (const index of order) {
      const one = this.placeApart(loads[index]!, index, (_, thing) => busy.get(thing));
      if (!one) return index;
      placed[index] = one;
      for (const use of one.uses) {
        const marks = busy.get(use.thing) ?? new Uint8Array(slots);
        busy.set(use.thing, marks);
        for (let slot = use.from; slot < use.to; slot++) if (usesIn(use, slot)) marks[slot] = 1;
      }
    }
    return this.branchOf(loads, undefined, placed);
  }

  /** A load placed so that its own tasks do not meet either: members of one load have hands of their own before the kiln. */
  private placeApart(load: Load, index: number, taken: Taken): Placed | undefined {
    const own = new Map<string, Uint8Array>();
    const both: Taken = (node, thing) => either(taken(node, thing), own.get(`${node}\n${thing}`));
    for (let n = 0; n < OWN_CLASHES; n++) {
      const placed = this.place(load, index, both);
      const clash = placed && firstClash(placed.uses);
      if (!clash) return placed;
      const { node, thing } = clash.b;
      const marks = own.get(`${node}\n${thing}`) ?? new Uint8Array(this.world.grid.slots);
      own.set(`${node}\n${thing}`, marks);
      for (let slot = clash.a.from; slot < clash.a.to; slot++) if (usesIn(clash.a, slot)) marks[slot] = 1;
    }
    return undefined;
  }

  private branchOf(loads: readonly Load[], bans: Ban | undefined, placed: readonly Placed[]): Branch {
    const cost = placed.reduce((sum, { places }) => addCosts(sum, places.cost), NO_COST);
    return { loads, bans, placed, cost };
  }

  private keep(branch: Branch): void {
    if (!this.best || compareCosts(branch.cost, this.best.cost) < 0) this.best = branch;
  }

  /** Good plans, quickly: loads by when they would be over alone, then those first that found no place, then by chance. */
  byOrders(loads: readonly Load[], alone: readonly Placed[], orders: number, random: () => number): void {
    const zeroOf = (index: number): number => {
      const { tree, places } = alone[index]!;
      return Math.max(...tree.nodes.map((node, n) => (node.zero ? places.slots[n]! : 0)));
    };
    let order = alone.map((_, index) => index).sort((a, b) => zeroOf(a) - zeroOf(b));
    for (let n = 0, stuck = 0; n < orders; ) {
      const found = this.inOrder(loads, order);
      if (typeof found === 'number') {
        order = [found, ...order.filter((index) => index !== found)];
        if (++stuck <= loads.length) continue;
      } else this.keep(found);
      n++;
      stuck = 0;
      order = order
        .map((index, at) => ({ index, by: at + random() * 4 }))
        .sort((a, b) => a.by - b.by)
        .map(({ index }) => index);
    }
  }

  /** Everything a load must not do in a branch. */
  private bansOf(bans: Ban | undefined, load: Load): Taken {
    const marks = new Map<string, Uint8Array>();
    for (let ban = bans; ban; ban = ban.more) {
      if (ban.load !== load) continue;
      const key = `${ban.node}\n${ban.thing}`;
      const slots = marks.get(key) ?? new Uint8Array(this.world.grid.slots);
      marks.set(key, slots);
      slots[ban.slot] = 1;
    }
    return (node, thing) => marks.get(`${node}\n${thing}`);
  }

  /**
   * Best first: of the cheapest branch two uses that clash are taken, and one or the other is banned there. The first branch without a clash costs least of all.
   * True: proven.
   */
  prove(roots: Branch[], placings: number): { proven: boolean; bound: WeekCost | undefined } {
    const open = roots.sort((a, b) => compareCosts(b.cost, a.cost));
    const until = this.tried + placings;
    for (let branch = open.pop(); branch; branch = open.pop()) {
      if (this.best && compareCosts(branch.cost, this.best.cost) >= 0) return { proven: true, bound: this.best.cost }; // prettier-ignore
      const clash = firstClash(branch.placed.flatMap(({ uses }) => uses));
      if (!clash) {
        this.best = branch;
        return { proven: true, bound: branch.cost };
      }
      if (this.tried >= until) return { proven: false, bound: branch.cost };
      for (const { load: index, node, thing } of [clash.a, clash.b]) {
        const load = branch.loads[index]!;
        const bans: Ban = { load, node, thing, slot: clash.slot, more: branch.bans };
        const placed = this.place(load, index, this.bansOf(bans, load));
        if (!placed) continue;
        insert(
          open,
          this.branchOf(
            branch.loads,
            bans,
            branch.placed.map((one, i) => (i === index ? placed : one)),
          ),
        );
      }
      this.tell(Math.min(1, 1 - (until - this.tried) / Math.max(1, placings)));
    }
    return { proven: true, bound: this.best?.cost };
  }

  private readonly first = new Map<Load, Placed | undefined>();
  /** How loads would be placed with the shop to themselves; undefined: one of them cannot be. */
  rootOf(loads: readonly Load[]): Branch | undefined {
    const placed = loads.map((load, index) => {
      if (!this.first.has(load)) this.first.set(load, this.place(load, index, () => undefined));
      const found = this.first.get(load);
      return found && { ...found, uses: found.uses.map((use) => ({ ...use, load: index })) };
    });
    return placed.every((one) => one !== undefined) ? this.branchOf(loads, undefined, placed) : undefined;
  }

  jobsOf({ placed }: Branch): PlacedJob[] {
    const { grid } = this.world;
    const at = (minutes: number): number => grid.from + minutes * MINUTE_MS;
    const jobs = placed.flatMap(({ tree, places }) =>
      tree.members.map(({ job, way, nodes }): PlacedJob => ({
        key: job,
        way,
        together: tree.members.map((member) => member.job),
        tasks: nodes.map((n) => ({
          key: tree.nodes[n]!.task.key,
          from: at(places.slots[n]! * this.problem.slotMin + tree.nodes[n]!.offsetMin),
          to: at(places.ends[n]!),
          ...(places.who[n] === undefined ? {} : { who: places.who[n] }),
          ...(places.machine[n] === undefined ? {} : { machine: places.machine[n] }),
        })),
      })),
    );
    const order = new Map(this.problem.jobs.map(({ key }, i) => [key, i]));
    return jobs.sort((a, b) => order.get(a.key)! - order.get(b.key)!);
  }
}

/** As often as this two tasks of one load are moved apart before an order is given up. */
const OWN_CLASHES = 40;

function either(a: Uint8Array | undefined, b: Uint8Array | undefined): Uint8Array | undefined {
  if (!a || !b) return a ?? b;
  return a.map((mark, i) => mark | b[i]!);
}

/** Dearest first, so that the cheapest is taken off the end; of equals the newest is taken first. */
function insert(open: Branch[], branch: Branch): void {
  let [lo, hi] = [0, open.length];
  while (lo < hi) {
    const mid = (lo + hi) >> 1;
    if (compareCosts(open[mid]!.cost, branch.cost) >= 0) lo = mid + 1;
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
  const search = new WeekSearch(problem, tell);
  const { loads: ways, all } = sharings(problem.jobs);
  const alone = problem.jobs.filter((job) => !search.rootOf([loadOfAlone(ways[0]!, job)]));
  if (alone.length > 0) return { status: 'none', alone: alone.map(({ key }) => key), tried: search.tried };
  const roots = ways.flatMap((loads) => search.rootOf(loads) ?? []);
  const random = seededRandom(7).uniform;
  // Everybody alone, and those that share as much as they can.
  const fewest = [...roots].sort((a, b) => a.loads.length - b.loads.length)[0]!;
  for (const root of new Set([roots[0]!, fewest]))
    search.byOrders(root.loads, root.placed, effort.orders, random);
  const { proven, bound } = search.prove(roots, effort.placings);
  const { best, tried } = search;
  if (!best) return proven && all ? { status: 'none', alone: [], tried } : { status: 'not found', tried };
  return {
    status: 'planned',
    best: proven && all,
    jobs: search.jobsOf(best),
    cost: best.cost,
    bound: bound ?? best.cost,
    tried,
  };
}

const loadOfAlone = (loads: readonly Load[], job: WeekJob): Load => loads.find(({ jobs }) => jobs[0] === job)!;
