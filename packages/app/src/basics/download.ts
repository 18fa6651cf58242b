/** Hands a file to the browser. */
export function saveAs(name: string, file: Blob): void {
  const url = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** Hands a text to the browser as a file. */
export const download = (name: string, text: string, type: string): void =>
  saveAs(name, new Blob([text], { type }));

/** A name fit for a file. */
export const fileName = (name: string) =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'circuit';
