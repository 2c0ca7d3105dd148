import type { BatchState } from '$core/ledger/state';

type Point = { x: number; y: number };

/**
 * Readings as lines, one for each vessel's own wine: what is racked takes its line along, and no line runs from one jar
 * to its twin. Of wine poured into wine that stood there, the line of that goes on.
 * @returns gravity over time, ms; each line once
 */
export function linesOf(s: Pick<BatchState, 'readings' | 'flows'>): Point[][] {
  const lines = new Map<string, Point[]>();
  const moves = s.flows.flatMap((f) => (f.kind === 'move' ? [f] : []));
  const all = [
    ...s.readings.map((r) => ({ at: r.at, vesselId: r.vesselId, y: r.sg })),
    ...moves.map((m) => ({ at: m.at, move: m }))
  ].sort((a, b) => a.at - b.at);
  // One that was split and read by no vessel's name goes on in all of them.
  let whole: Point[] = [];
  const done: Point[][] = [];
  for (const x of all) {
    if ('move' in x) {
      const { from, to, keep } = x.move;
      const own = lines.get(from) ?? whole;
      const goesOn = to.filter(({ vesselId }) => !lines.has(vesselId));
      for (const { vesselId } of goesOn) lines.set(vesselId, own);
      if (keep <= 0) {
        // All of it poured into others: that is where its own line ends.
        if (goesOn.length === 0) done.push(own);
        lines.delete(from);
      }
      continue;
    }
    const point = { x: x.at, y: x.y };
    if (x.vesselId !== null) lines.set(x.vesselId, [...(lines.get(x.vesselId) ?? whole), point]);
    else if (lines.size === 0) whole = [...whole, point];
    else for (const [id, line] of lines) lines.set(id, [...line, point]);
  }
  const found = [whole, ...lines.values(), ...done].filter((line) => line.length > 0);
  const isWithin = (a: Point[], b: Point[]) => a.every((p, i) => b[i]?.x === p.x && b[i].y === p.y);
  // What another line begins with is drawn by that.
  return found.filter(
    (a, i) => !found.some((b, k) => k !== i && isWithin(a, b) && (b.length > a.length || k < i))
  );
}
