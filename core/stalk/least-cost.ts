import { finish } from '../grid/index';

/** A graph given by its edges: `visit` calls `edge(to, cost)` for each neighbour of a node. */
export interface Graph {
  size: number;
  visit(node: number, edge: (to: number, cost: number) => void): void;
}

/**
 * Least-cost way from any of the starts to a node (Dijkstra 1959) with a binary heap. Costs must be
 * >= 0. With `atLeast`, a bound from below on what is left that never falls by more than an edge
 * costs, fewer nodes are visited and the answer is the same (A*: Hart, Nilsson & Raphael 1968).
 * null when there is none. Ties are taken in order of arrival, so the answer is fixed.
 */
export function leastCost(
  graph: Graph,
  from: number | readonly number[],
  to: number,
  atLeast: (node: number) => number = () => 0,
): { path: number[]; cost: number } | null {
  const { cost, before } = finish(
    settle(graph, typeof from === 'number' ? [from] : from, to, atLeast),
  );
  if (cost[to] === Infinity) return null;
  const path = [to];
  while (before[path[path.length - 1]!]! >= 0) path.push(before[path[path.length - 1]!]!);
  return { path: path.reverse(), cost: cost[to]! };
}

export interface Settled {
  /** Least cost to each node; Infinity where there is no way. */
  cost: Float64Array;
  /** The node before it on that way; -1 at the starts. */
  before: Int32Array;
  /** Nodes in the order in which they were settled: each after the one before it. */
  order: number[];
}

/**
 * Least-cost ways from the starts to every node (Dijkstra 1959), a few thousand nodes a step. With
 * `until`, no further than all of those; what lies beyond has no order.
 */
export const leastCosts = (
  graph: Graph,
  from: readonly number[],
  until?: readonly number[],
): Generator<void, Settled> => settle(graph, from, -1, () => 0, until && new Set(until));
const NODES_A_STEP = 4000;

function* settle(
  graph: Graph,
  from: readonly number[],
  to: number,
  atLeast: (node: number) => number,
  until?: Set<number>,
): Generator<void, Settled> {
  const cost = new Float64Array(graph.size).fill(Infinity);
  const before = new Int32Array(graph.size).fill(-1);
  const done = new Uint8Array(graph.size);
  const order: number[] = [];
  const heap = createHeap();
  for (const start of from) {
    cost[start] = 0;
    heap.push(start, atLeast(start));
  }
  let node = -1;
  const edge = (next: number, step: number) => {
    const total = cost[node]! + step;
    if (total < cost[next]!) {
      cost[next] = total;
      before[next] = node;
      heap.push(next, total + atLeast(next));
    }
  };
  for (;;) {
    node = heap.pop();
    if (node < 0 || node === to) break;
    if (done[node]) continue;
    done[node] = 1;
    order.push(node);
    if (until?.delete(node) && until.size === 0) break;
    graph.visit(node, edge);
    if (order.length % NODES_A_STEP === 0) yield;
  }
  return { cost, before, order };
}

/** A binary heap of nodes by key, in typed arrays that grow; `pop` gives -1 when it is empty. */
function createHeap() {
  let nodes = new Int32Array(1024);
  let keys = new Float64Array(1024);
  let n = 0;
  return {
    push(node: number, key: number): void {
      if (n === nodes.length) {
        const [moreNodes, moreKeys] = [new Int32Array(2 * n), new Float64Array(2 * n)];
        moreNodes.set(nodes);
        moreKeys.set(keys);
        nodes = moreNodes;
        keys = moreKeys;
      }
      let i = n++;
      while (i > 0) {
        const parent = (i - 1) >> 1;
        if (keys[parent]! <= key) break;
        nodes[i] = nodes[parent]!;
        keys[i] = keys[parent]!;
        i = parent;
      }
      nodes[i] = node;
      keys[i] = key;
    },
    pop(): number {
      if (n === 0) return -1;
      const top = nodes[0]!;
      n--;
      const node = nodes[n]!;
      const key = keys[n]!;
      let i = 0;
      for (;;) {
        let child = 2 * i + 1;
        if (child >= n) break;
        if (child + 1 < n && keys[child + 1]! < keys[child]!) child++;
        if (keys[child]! >= key) break;
        nodes[i] = nodes[child]!;
        keys[i] = keys[child]!;
        i = child;
      }
      nodes[i] = node;
      keys[i] = key;
      return top;
    },
  };
}
