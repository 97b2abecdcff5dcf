/** Hands a file over to the maker, under its name. */
export function download({ url, name }: { readonly url: string; readonly name: string }): void {
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  document.body.append(link);
  link.click();
  link.remove();
}
