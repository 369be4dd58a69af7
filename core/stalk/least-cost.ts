/** A graph given by its edges: `visit` calls `edge(to, cost)` for each neighbour of a node. */
export interface Graph {
  size: number;
  visit(node: number, edge: (to: number, cost: number) => void): void;
}

/**
 * Least-cost way from a node to a node (Dijkstra 1959) with a binary heap. Costs must be >= 0.
 * null when there is none. Ties are taken in order of the node's number, so the answer is fixed.
 */
export function leastCost(
  graph: Graph,
  from: number,
  to: number,
): { path: number[]; cost: number } | null {
  const cost = new Float64Array(graph.size).fill(Infinity);
  const before = new Int32Array(graph.size).fill(-1);
  const done = new Uint8Array(graph.size);
  const heap: number[] = [];
  const keys: number[] = [];
  cost[from] = 0;
  push(heap, keys, from, 0);
  let node = -1;
  const edge = (next: number, step: number) => {
    const total = cost[node]! + step;
    if (total < cost[next]!) {
      cost[next] = total;
      before[next] = node;
      push(heap, keys, next, total);
    }
  };
  while (heap.length > 0) {
    node = pop(heap, keys);
    if (done[node]) continue;
    done[node] = 1;
    if (node === to) break;
    graph.visit(node, edge);
  }
  if (cost[to] === Infinity) return null;
  const path = [to];
  while (path[path.length - 1] !== from) path.push(before[path[path.length - 1]!]!);
  return { path: path.reverse(), cost: cost[to]! };
}

function push(heap: number[], keys: number[], node: number, key: number): void {
  let i = heap.length;
  heap.push(node);
  keys.push(key);
  while (i > 0) {
    const parent = (i - 1) >> 1;
    if (keys[parent]! <= key) break;
    heap[i] = heap[parent]!;
    keys[i] = keys[parent]!;
    i = parent;
  }
  heap[i] = node;
  keys[i] = key;
}

function pop(heap: number[], keys: number[]): number {
  const top = heap[0]!;
  const node = heap.pop()!;
  const key = keys.pop()!;
  const n = heap.length;
  if (n === 0) return top;
  let i = 0;
  for (;;) {
    let child = 2 * i + 1;
    if (child >= n) break;
    if (child + 1 < n && keys[child + 1]! < keys[child]!) child++;
    if (keys[child]! >= key) break;
    heap[i] = heap[child]!;
    keys[i] = keys[child]!;
    i = child;
  }
  heap[i] = node;
  keys[i] = key;
  return top;
}
