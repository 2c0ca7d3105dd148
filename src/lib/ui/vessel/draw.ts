import { heightAtVolume, outlineOf, volumeAtHeight, type Vessel } from '$core/vessels/vessels';
import { fromBase, type VolumeUnit } from '$core/units/measure';

/** A drawing of a vessel to scale: `scale` pixels a centimetre, the bottom at y = height. */
export type Drawing = {
  width: number;
  height: number;
  outline: string;
  /** y of the level at a volume in litres; clamped to the brim, `over` says by how much it would run over */
  y: (volumeL: number) => number;
  /** half width at a height */
  half: (y: number) => number;
};

export function drawVessel(vessel: Vessel, maxWidth: number, maxHeight: number): Drawing {
  const outline = outlineOf(vessel);
  const top = outline.at(-1)![0];
  const widest = Math.max(...outline.map(([, d]) => d));
  const scale = Math.min(maxWidth / widest, maxHeight / top);
  const [width, height] = [widest * scale, top * scale];
  const mid = width / 2;
  const point = ([h, d]: readonly [number, number], side: 1 | -1) =>
    `${(mid + (side * d * scale) / 2).toFixed(1)},${(height - h * scale).toFixed(1)}`;
  const left = [...outline].reverse().map((p) => point(p, -1));
  const right = outline.map((p) => point(p, 1));
  return {
    width,
    height,
    outline: `M${left.join('L')}L${right.join('L')}`,
    y: (volumeL) => height - heightAtVolume(vessel, Math.max(0, Math.min(volumeL, vessel.capacityL))) * scale,
    half: (y) => {
      const h = (height - y) / scale;
      const step = 0.05;
      const area =
        (volumeAtHeight(vessel, h + step) - volumeAtHeight(vessel, Math.max(0, h - step))) /
        (h < step ? h + step : 2 * step);
      return Math.sqrt((area * 1000) / Math.PI) * scale;
    }
  };
}

/** A large letter is about so wide. */
const LETTER_PX = 16;

/** Where the figure of what stands in a vessel is written: over its level, or in its belly where the glass is too narrow for it. */
export const figureY = (d: Drawing, levelY: number, figure: string): number =>
  2 * d.half(Math.max(1, levelY - 20)) < LETTER_PX * figure.length
    ? 0.62 * d.height
    : Math.max(22, levelY - 9);

/** Round marks in a unit: four to six of them up to the brim, as litres. */
export function graduations(capacityL: number, unit: VolumeUnit): { volumeL: number; label: string }[] {
  const capacity = fromBase(capacityL, unit);
  const step = [0.25, 0.5, 1, 2, 5, 10, 20, 50, 100, 200].find((s) => capacity / s <= 6) ?? 500;
  const marks = [];
  for (let n = step; n < capacity * 0.97; n += step)
    marks.push({ volumeL: (n / capacity) * capacityL, label: String(n) });
  return marks;
}
