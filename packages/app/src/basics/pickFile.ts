/** Lets the person pick a file, or take a picture where `camera` is asked for; `null` when they do not. */
export function pickFile(accept: string, camera = false): Promise<File | null> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    if (camera) input.capture = 'environment';
    input.onchange = () => resolve(input.files?.[0] ?? null);
    input.oncancel = () => resolve(null);
    input.click();
  });
}
