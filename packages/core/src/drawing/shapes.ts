/** What every drawing is made of, CSS px. */

export interface Spot {
  x: number;
  y: number;
}

export interface Rect extends Spot {
  width: number;
  height: number;
}

export const centre = (box: Rect) => box.x + box.width / 2;
