/** Moves a thing of a list to where another one is. */
export function moveTo(list: { readonly id: string }[], moved: unknown, target: unknown): void {
  const to = list.findIndex(({ id }) => id === target);
  const [one] = list.splice(
    list.findIndex(({ id }) => id === moved),
    1,
  );
  list.splice(to, 0, one);
}
