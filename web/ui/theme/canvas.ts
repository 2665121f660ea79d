/** Canvases that are painted in the colours of the page’s theme. */

export interface Drawing {
  readonly context: CanvasRenderingContext2D;
  /** A colour, size or font of the page's theme. */
  readonly token: (name: string) => string;
}

/** A canvas of the size it is shown in, wiped; null where it cannot be drawn on. @param width in px @param height in px */
export function wiped(canvas: HTMLCanvasElement, width: number, height: number): Drawing | null {
  const context = canvas.getContext('2d');
  if (!context) return null;
  const scale = devicePixelRatio;
  if (canvas.width !== Math.round(width * scale) || canvas.height !== Math.round(height * scale)) {
    canvas.width = Math.round(width * scale);
    canvas.height = Math.round(height * scale);
  }
  const style = getComputedStyle(canvas);
  context.setTransform(scale, 0, 0, scale, 0, 0);
  context.clearRect(0, 0, width, height);
  return { context, token: (name) => style.getPropertyValue(`--${name}`).trim() };
}
