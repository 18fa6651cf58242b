/** What the SVG files are made of. */
import type { Rect } from '../drawing';

export const INK = '#1B2422';
export const MUTE = '#5E665F';
export const CARD = '#FFFDF8';
export const LINE = '#D9D2C3';

/** What XML 1.0 has no place for (section 2.2): most control characters, halves of a pair, two that are none. */
const NOT_XML = /(?![\n\r\t])[\p{Cc}\p{Cs}\ufffe\uffff]/gu;

/** A text as it may stand in an SVG file. */
export const escape = (text: string) =>
  text
    .replace(NOT_XML, '\ufffd')
    .replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!);

type Attributes = Record<string, string | number | undefined>;

export function tag(name: string, attributes: Attributes, content = ''): string {
  const written = Object.entries(attributes).flatMap(([key, value]) =>
    value === undefined ? [] : [` ${key}="${escape(String(value))}"`],
  );
  return content === ''
    ? `<${name}${written.join('')}/>`
    : `<${name}${written.join('')}>${content}</${name}>`;
}

export const words = (text: string, x: number, y: number, size: number, more: Attributes = {}) =>
  tag('text', { x, y, 'font-size': size, 'text-anchor': 'middle', fill: INK, ...more }, escape(text));

export const box = ({ x, y, width, height }: Rect, radius: number, more: Attributes) =>
  tag('rect', { x, y, width, height, rx: radius, ...more });

export function page(title: string, width: number, height: number, content: readonly string[]): string {
  const [w, h] = [Math.ceil(width), Math.ceil(height)];
  const ground = tag('rect', { width: w, height: h, fill: '#FFFFFF' });
  const body = [tag('title', {}, escape(title)), ground, ...content].join('\n');
  return `<?xml version="1.0" encoding="UTF-8"?>\n${tag(
    'svg',
    {
      xmlns: 'http://www.w3.org/2000/svg',
      width: w,
      height: h,
      viewBox: `0 0 ${w} ${h}`,
      'font-family': 'Barlow Condensed, Arial Narrow, sans-serif',
    },
    body,
  )}\n`;
}
