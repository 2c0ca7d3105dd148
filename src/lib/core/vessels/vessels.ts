import { inL } from '../units/say';
import type { z } from 'zod';
import { findRoot } from '../maths/root';
import { InputError } from '../units/input-error';
import type { vesselSchema } from './vessel-schema';

/** Outlines by shape: (height, diameter), both as a share of the outline's height. Only the proportions matter. */
const OUTLINES = {
  bucket: [
    [0, 0.72],
    [0.03, 0.76],
    [1, 0.9]
  ],
  jar: [
    [0, 0.5],
    [0.05, 0.56],
    [0.7, 0.56],
    [0.84, 0.4],
    [0.88, 0.16],
    [1, 0.16]
  ],
  carboy: [
    [0, 0.52],
    [0.06, 0.6],
    [0.68, 0.6],
    [0.84, 0.36],
    [0.88, 0.11],
    [1, 0.11]
  ],
  barrel: [
    [0, 0.62],
    [0.5, 0.74],
    [1, 0.62]
  ],
  bottle: [
    [0, 0.26],
    [0.03, 0.28],
    [0.6, 0.28],
    [0.75, 0.11],
    [1, 0.1]
  ]
} as const;

export const SHAPES = ['bucket', 'jar', 'carboy', 'barrel', 'bottle'] as const;
export type Shape = (typeof SHAPES)[number];

/** A vessel may hold so much more than it is called, or hardly less: its neck counts. Common practice. */
const SIZE_WITHIN = [0.985, 1.09] as const;
/** Whether a vessel is one that is called by so many litres. @example isOfSize({ capacityL: 5.2 }, 5) // true */
export const isOfSize = ({ capacityL }: { capacityL: number }, sizeL: number): boolean =>
  capacityL >= SIZE_WITHIN[0] * sizeL && capacityL <= SIZE_WITHIN[1] * sizeL;

export type Vessel = z.infer<typeof vesselSchema>;

type Outline = readonly (readonly [heightCm: number, diameterCm: number])[];

/** Litres of a truncated cone, from cm. */
const frustumL = (h: number, d1: number, d2: number): number =>
  (Math.PI * h * (d1 * d1 + d1 * d2 + d2 * d2)) / 12000;

const volumeOfOutline = (outline: Outline): number =>
  outline.slice(1).reduce((sum, [h, d], i) => sum + frustumL(h - outline[i]![0], outline[i]![1], d), 0);

/**
 * The vessel's outline in cm, scaled so that it holds its capacity to the brim.
 * @returns points from the bottom up
 */
export function outlineOf(vessel: Vessel): Outline {
  const points = vessel.profile ?? OUTLINES[vessel.shape];
  const scale = Math.cbrt(vessel.capacityL / volumeOfOutline(points as Outline));
  return points.map(([h, d]) => [h * scale, d * scale] as const);
}

/**
 * Litres below `heightCm`.
 * @example volumeAtHeight({ id: 'b', name: 'bucket', shape: 'bucket', capacityL: 16.5 }, 15) // 7.1856
 */
export function volumeAtHeight(vessel: Vessel, heightCm: number): number {
  const outline = outlineOf(vessel);
  let volume = 0;
  for (let i = 1; i < outline.length; i++) {
    const [h0, d0] = outline[i - 1]!;
    const [h1, d1] = outline[i]!;
    if (heightCm <= h0) break;
    const top = Math.min(heightCm, h1);
    volume += frustumL(top - h0, d0, d0 + ((d1 - d0) * (top - h0)) / (h1 - h0));
  }
  return volume;
}

/**
 * Height, cm, to which `volumeL` fills the vessel.
 * @throws InputError when it would overflow
 * @example heightAtVolume({ id: 'b', name: 'bucket', shape: 'bucket', capacityL: 16.5 }, 10) // 20.227
 */
export function heightAtVolume(vessel: Vessel, volumeL: number): number {
  if (volumeL > vessel.capacityL * 1.000001)
    throw new InputError(
      `${inL(volumeL)} does not fit ${vessel.name}, which holds ${inL(vessel.capacityL)}.`,
      'Choose a larger vessel or split the batch.'
    );
  const top = outlineOf(vessel).at(-1)![0];
  if (volumeL >= volumeAtHeight(vessel, top)) return top;
  return findRoot((h) => volumeAtHeight(vessel, h) - volumeL, 0, top, 1e-6);
}

/** Share of an open vessel to leave free for cap and foam; dark soft berries foam worst. Common practice. */
export const FOAM_ROOM = { quiet: 0.15, usual: 0.22, lively: 0.3 } as const;

/** Common sizes to start from. */
export const VESSEL_PRESETS: readonly Vessel[] = [
  { id: 'bucket-10', name: '10 L bucket', shape: 'bucket', capacityL: 11 },
  { id: 'bucket-15', name: '15 L bucket', shape: 'bucket', capacityL: 16.5 },
  { id: 'bucket-25', name: '25 L bucket', shape: 'bucket', capacityL: 27.5 },
  { id: 'bucket-30', name: '30 L bucket', shape: 'bucket', capacityL: 33 },
  { id: 'jar-us', name: '1 US gal jar', shape: 'jar', capacityL: 3.95 },
  { id: 'jar-uk', name: '1 UK gal jar', shape: 'jar', capacityL: 4.75 },
  { id: 'jar-5', name: '5 L jar', shape: 'jar', capacityL: 5.25 },
  { id: 'jar-10', name: '10 L jar', shape: 'jar', capacityL: 10.4 },
  { id: 'bottle-2', name: '2 L bottle', shape: 'bottle', capacityL: 2.1 },
  { id: 'carboy-11', name: '3 US gal carboy', shape: 'carboy', capacityL: 11.9 },
  { id: 'carboy-23', name: '6 US gal carboy', shape: 'carboy', capacityL: 23.7 }
];

/** Whether a vessel is a common size, and not one that the household lists. */
export const isPreset = ({ id }: Pick<Vessel, 'id'>): boolean => VESSEL_PRESETS.some((v) => v.id === id);

/** Whether a vessel is open at the top, and wants room for foam rather than a full neck. */
export const isOpenVessel = (v: Pick<Vessel, 'shape'>): boolean =>
  v.shape === 'bucket' || v.shape === 'barrel';
/** Share of a closed vessel that is left free while it works: the neck. Common practice. */
const NECK_ROOM = 0.05;

/**
 * Share of a vessel to leave free for what a must holds: dark berries foam worst, sugar and water least.
 * @example foamShareOf({ shape: 'bucket' }, { hasFruit: true, isLively: false }) // 0.22
 */
export function foamShareOf(
  vessel: Pick<Vessel, 'shape'>,
  must: { hasFruit: boolean; isLively: boolean }
): number {
  if (!isOpenVessel(vessel)) return NECK_ROOM;
  return must.isLively ? FOAM_ROOM.lively : must.hasFruit ? FOAM_ROOM.usual : FOAM_ROOM.quiet;
}

/** Shares of a jar that stand in for a neck: what is left free so that the bung goes in. Common practice. */
const NECK = 0.985;

/**
 * Litres that a vessel takes when it is filled to the neck.
 * @example toTheNeck(VESSEL_PRESETS.find((v) => v.id === 'jar-10')!) // 10.244
 */
export const toTheNeck = (vessel: Vessel): number => vessel.capacityL * NECK;

/** Air over a wine, L: up to the neck, which is what there is to fill. */
export const airOverL = (vessel: Vessel, litres: number): number => Math.max(0, toTheNeck(vessel) - litres);

/** Share of its glass that air may take up over a still wine. Common practice. */
const AIR_SHARE = 0.105;
/** Whether the air over a still wine takes up too large a share of its glass, and wants topping up or a smaller jar. */
export const hasMuchAir = (vessel: Vessel, litres: number): boolean =>
  vessel.shape !== 'bucket' && litres > 0 && airOverL(vessel, litres) > AIR_SHARE * vessel.capacityL;
