/** Colours of a label: letters and lines, the paper under them, and a tint for drawings and bands. */
export const INKS = {
  damson: { name: 'Damson', ink: '#3a1530', paper: '#fbf5ea', tint: '#e6c9d6' },
  greengage: { name: 'Greengage', ink: '#27380c', paper: '#f8f7e8', tint: '#d5e0a8' },
  rosehip: { name: 'Rosehip', ink: '#5d140c', paper: '#fdf4ec', tint: '#f4c7b6' },
  straw: { name: 'Straw', ink: '#3d2a06', paper: '#fdf8e6', tint: '#f2d98f' },
  sloe: { name: 'Sloe', ink: '#152444', paper: '#f3f5f7', tint: '#c3d0e4' },
  black: { name: 'Black on white', ink: '#000000', paper: '#ffffff', tint: '#e3e3e3' }
} as const;
export type InkId = keyof typeof INKS;
export const INK_IDS = Object.keys(INKS) as [InkId, ...InkId[]];
