import type { LayoutId } from '../ledger/events/label';
import type { Tone } from './art-marks';
import { inset, line, mm, path, rect, type Box, type Mark } from './mark';

/** Where things stand on a label of one layout. */
export type Places = {
  tone: Tone;
  under: Mark[];
  art: Box | null;
  text: Box;
  align: 'start' | 'middle';
  /** the most that a code may take, mm */
  codeMost: number;
};

const wide = ({ w, h }: Box) => w > 1.15 * h;

/** Six ways to lay a label out, each for any size of it. */
export const LAYOUTS: Record<LayoutId, { name: string; places: (all: Box, tone: Tone) => Places }> = {
  basket: {
    name: 'A band with what it is made of',
    places: (all, tone) => {
      const band = wide(all)
        ? { ...all, w: Math.min(all.w * 0.34, all.h) }
        : { ...all, h: Math.min(all.h * 0.38, all.w) };
      const pad = Math.min(all.w, all.h) * 0.07;
      const text = wide(all)
        ? { x: band.w + pad, y: pad, w: all.w - band.w - 2 * pad, h: all.h - 2 * pad }
        : { x: pad, y: band.h + pad / 2, w: all.w - 2 * pad, h: all.h - band.h - 1.5 * pad };
      return {
        tone,
        under: [rect(all, { fill: tone.paper }), rect(band, { fill: tone.tint })],
        art: inset(band, Math.min(band.w, band.h) * 0.12),
        text,
        align: wide(all) ? 'start' : 'middle',
        codeMost: Math.min(all.h * 0.55, all.w * 0.3)
      };
    }
  },
  window: {
    name: 'A frame around it',
    places: (all, tone) => {
      const small = Math.min(all.w, all.h);
      const [outer, inner] = [inset(all, small * 0.05), inset(all, small * 0.075)];
      const stroke = { fill: 'none', stroke: tone.ink };
      const text = inset(all, small * 0.12);
      const artH = wide(all) ? 0 : text.h * 0.34;
      const artW = wide(all) ? Math.min(text.h, text.w * 0.26) : 0;
      return {
        tone,
        under: [
          rect(all, { fill: tone.paper }),
          rect(outer, { ...stroke, 'stroke-width': mm(small * 0.012) }),
          rect(inner, { ...stroke, 'stroke-width': mm(small * 0.004) })
        ],
        art: wide(all) ? { x: text.x, y: text.y, w: artW, h: text.h } : { ...text, h: artH },
        text: wide(all)
          ? { ...text, x: text.x + artW + small * 0.05, w: text.w - artW - small * 0.05 }
          : { ...text, y: text.y + artH, h: text.h - artH },
        align: 'middle',
        codeMost: Math.min(text.h * 0.6, text.w * 0.3)
      };
    }
  },
  night: {
    name: 'Light letters on dark',
    places: (all, tone) => {
      const dark = { ink: tone.paper, paper: tone.ink, tint: tone.ink };
      const pad = Math.min(all.w, all.h) * 0.08;
      const side = wide(all) ? Math.min(all.h * 0.8, all.w * 0.3) : Math.min(all.w * 0.7, all.h * 0.34);
      return {
        tone: dark,
        under: [rect(all, { fill: dark.paper })],
        art: wide(all)
          ? { x: all.w - pad - side, y: (all.h - side) / 2, w: side, h: side }
          : { x: (all.w - side) / 2, y: pad, w: side, h: side },
        text: wide(all)
          ? { x: pad, y: pad, w: all.w - 3 * pad - side, h: all.h - 2 * pad }
          : { x: pad, y: 1.5 * pad + side, w: all.w - 2 * pad, h: all.h - 2.5 * pad - side },
        align: wide(all) ? 'start' : 'middle',
        codeMost: Math.min(all.h * 0.55, all.w * 0.28)
      };
    }
  },
  hedge: {
    name: 'A row along its foot',
    places: (all, tone) => {
      const pad = Math.min(all.w, all.h) * 0.07;
      const rowH = Math.min(all.h * 0.24, all.w * 0.2);
      return {
        tone,
        under: [
          rect(all, { fill: tone.paper }),
          rect({ ...all, y: all.h - rowH * 0.42, h: rowH * 0.42 }, { fill: tone.tint })
        ],
        art: { x: 0, y: all.h - rowH - pad * 0.3, w: all.w, h: rowH },
        text: { x: pad, y: pad, w: all.w - 2 * pad, h: all.h - rowH - 1.6 * pad },
        align: 'middle',
        codeMost: Math.min(all.h * 0.55, all.w * 0.28)
      };
    }
  },
  stamp: {
    name: 'Cut corners, and a rule',
    places: (all, tone) => {
      const small = Math.min(all.w, all.h);
      const { x, y, w, h } = inset(all, small * 0.05);
      const cut = small * 0.12;
      const [r, b] = [x + w, y + h];
      const text = inset(all, small * 0.13);
      const side = small * 0.24;
      return {
        tone,
        under: [
          rect(all, { fill: tone.paper }),
          path(
            `M${mm(x + cut)} ${mm(y)}L${mm(r - cut)} ${mm(y)}L${mm(r)} ${mm(y + cut)}L${mm(r)} ${mm(b - cut)}L${mm(r - cut)} ${mm(b)}L${mm(x + cut)} ${mm(b)}L${mm(x)} ${mm(b - cut)}L${mm(x)} ${mm(y + cut)}Z`,
            { fill: tone.tint, stroke: tone.ink, 'stroke-width': mm(small * 0.012) }
          )
        ],
        art: wide(all) ? null : { x: (all.w - side) / 2, y: text.y, w: side, h: side },
        text: wide(all) ? text : { ...text, y: text.y + side, h: text.h - side },
        align: 'middle',
        codeMost: Math.min(text.h * 0.6, text.w * 0.3)
      };
    }
  },
  slip: {
    name: 'Little ink, and lines to write on',
    places: (all, tone) => {
      const pad = Math.min(all.w, all.h) * 0.08;
      const from = all.h * 0.66;
      const rules = Math.max(1, Math.floor((all.h - from - pad) / 6));
      return {
        tone,
        under: [
          rect(all, { fill: '#ffffff' }),
          line(pad, pad * 0.6, all.w - pad, pad * 0.6, { stroke: tone.ink, 'stroke-width': 0.5 }),
          ...Array.from({ length: rules }, (_, i) => {
            const y = all.h - pad - (rules - 1 - i) * 6;
            return line(pad, y, all.w - pad, y, {
              stroke: tone.ink,
              'stroke-width': 0.18,
              'stroke-dasharray': '0.6 0.8'
            });
          })
        ],
        art: null,
        text: { x: pad, y: pad, w: all.w - 2 * pad, h: from - pad },
        align: 'start',
        codeMost: Math.min(from - pad, all.w * 0.28)
      };
    }
  }
};
