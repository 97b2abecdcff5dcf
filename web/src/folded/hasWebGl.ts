let known: boolean | null = null;

/** Whether this browser can draw in three dimensions; asked once, since asking makes a context. */
export function hasWebGl(): boolean {
  if (known === null) {
    const context = document.createElement('canvas').getContext('webgl2');
    known = context !== null;
    context?.getExtension('WEBGL_lose_context')?.loseContext();
  }
  return known;
}
