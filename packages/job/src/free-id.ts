/** An id made of a word and a number that nothing in a list has. */
export function freeId(word: string, list: readonly { readonly id: string }[]): string {
  const taken = new Set(list.map(({ id }) => id));
  let number = list.length + 1;
  while (taken.has(`${word}-${number}`)) number++;
  return `${word}-${number}`;
}
