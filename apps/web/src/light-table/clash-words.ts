import type { Clash } from '@brachytone/job';

/** Words of a name of a member: `dotShape` is “dot shape”. */
const plain = (name: string): string => name.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();

type Members = Readonly<Record<string, unknown>>;
const isThing = (value: unknown): value is Members => typeof value === 'object' && value !== null;

/** Names that stand for nothing by themselves. */
const LEFT_OUT = new Set(['recipe', 'content', 'settings']);
/** Lists, and what one of them is called. */
const LISTS: Readonly<Record<string, string>> = {
  plates: 'plate',
  inks: 'ink',
  originals: 'original',
  steps: 'step',
  regions: 'region',
};

/** What a clash is about, in words: “Black plate · screen · ruling”. */
export function placeWords({ place }: Clash, document: unknown): string {
  const words: string[] = [];
  let at: unknown = document;
  place.forEach((name, i) => {
    const isMember = Array.isArray(at);
    at = Array.isArray(at) ? at.find((one: Members) => one.id === name) : isThing(at) ? at[name] : undefined;
    if (isMember) {
      const kind = LISTS[place[i - 1]] ?? plain(place[i - 1]);
      const own = isThing(at) ? nameIn(at, document) : undefined;
      words.push(own === undefined ? kind : `${own} ${kind}`);
    } else if (!LEFT_OUT.has(name) && !(name in LISTS)) words.push(plain(name));
  });
  const said = words.join(' · ') || 'the whole job';
  return said[0].toUpperCase() + said.slice(1);
}

/** The name of a member of a list; a plate's is its ink's. */
function nameIn(member: Members, document: unknown): string | undefined {
  if (typeof member.name === 'string') return member.name;
  const inks = (document as { recipe?: { inks?: readonly { id: string; name: string }[] } }).recipe?.inks;
  return inks?.find(({ id }) => id === member.ink)?.name;
}

/** A value in a word or two. */
export function valueWords(value: unknown): string {
  if (value === undefined) return 'taken away';
  if (value === null) return 'none';
  if (typeof value === 'number') return String(Math.round(value * 1000) / 1000);
  if (typeof value === 'string') return value.length > 40 ? `${value.slice(0, 40)}…` : value;
  if (typeof value === 'boolean') return value ? 'on' : 'off';
  if (Array.isArray(value)) return `a list of ${value.length}`;
  const { name, kind } = value as { name?: unknown; kind?: unknown };
  return typeof name === 'string' ? name : typeof kind === 'string' ? plain(kind) : 'another';
}
