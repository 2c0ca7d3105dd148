import type { At } from '$core/instruments/sample';
import { sgText, temperatureText } from '$core/units/format';
import type { Settings } from '$core/units/settings';

/** What an instrument says, in the household's units: `1.034, 21 °C`. */
export function sampleText(s: At, settings: Pick<Settings, 'temp'>): string {
  const deg = (c: number) => temperatureText(c, settings.temp);
  return [
    s.sg === undefined ? '' : sgText(s.sg),
    s.ph === undefined ? '' : `pH ${s.ph.toFixed(2)}`,
    s.massKg === undefined ? '' : `${s.massKg.toFixed(3)} kg`,
    s.tempC === undefined ? '' : deg(s.tempC),
    s.roomC === undefined ? '' : deg(s.roomC),
    s.humidity === undefined ? '' : `${s.humidity.toFixed(0)} % damp`
  ]
    .filter(Boolean)
    .join(', ');
}

/** How long ago something was heard. */
export function agoText(at: number, now: number): string {
  const s = Math.max(0, Math.round((now - at) / 1000));
  if (s < 90) return 'just now';
  const min = Math.round(s / 60);
  return min < 90 ? `${min} min ago` : `${Math.round(min / 60)} h ago`;
}
