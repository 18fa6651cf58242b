/** Resolves when what a press has changed is on the screen. */
export const painted = () => new Promise<void>((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
