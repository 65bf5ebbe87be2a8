/** What a design consists of as a file. */
export type Json = null | boolean | number | string | Json[] | { [name: string]: Json };

/** One place where two designs differ; undefined where one of them has nothing there. */
export interface Change {
  /** Names of fields from the top; of a list whose members have ids, the id. */
  path: string[];
  before: Json | undefined;
  after: Json | undefined;
}

/** The last part of the path of a change of order in a list. */
export const ORDER = "#order";

type Dict = Record<string, Json>;
type Member = Dict & { id: string };

const isDict = (value: Json | undefined): value is Dict =>
  typeof value === "object" && value !== null && !Array.isArray(value);
const isMember = (value: Json): value is Member => isDict(value) && typeof value.id === "string";

/** A list whose members have ids of their own is told member by member; any other is one value. */
const isKeyed = (value: Json | undefined): value is Member[] =>
  Array.isArray(value) && value.every(isMember) && new Set(value.map(({ id }) => id)).size === value.length;

const own = (dict: Dict, name: string): Json | undefined => (Object.hasOwn(dict, name) ? dict[name] : undefined);

/** Whether two values are the same, whatever the order of their fields. */
export function isSame(a: Json | undefined, b: Json | undefined): boolean {
  if (a === b) return true;
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((one, nth) => isSame(one, b[nth]));
  if (!isDict(a) || !isDict(b)) return false;
  const names = Object.keys(a);
  return (
    names.length === Object.keys(b).length && names.every((name) => Object.hasOwn(b, name) && isSame(a[name], b[name]))
  );
}

/** All places where two values differ, as deep as they can be told. */
export function changesBetween(before: Json | undefined, after: Json | undefined, path: string[] = []): Change[] {
  if (isSame(before, after)) return [];
  if (isDict(before) && isDict(after)) {
    const names = [...new Set([...Object.keys(before), ...Object.keys(after)])];
    return names.flatMap((name) => changesBetween(own(before, name), own(after, name), [...path, name]));
  }
  if (isKeyed(before) && isKeyed(after) && before.length + after.length > 0) return changesOfList(before, after, path);
  return [{ path, before, after }];
}

function changesOfList(before: Member[], after: Member[], path: string[]): Change[] {
  const [old, fresh] = [before, after].map((list) => new Map(list.map((one) => [one.id, one])));
  const ids = [...new Set([...old.keys(), ...fresh.keys()])];
  const inside = ids.flatMap((id) => changesBetween(old.get(id), fresh.get(id), [...path, id]));
  const [from, to] = [[...old.keys()], [...fresh.keys()]];
  // Told from both sides alike: the order counts where either could not be worked out from the other.
  const isTold = !isSame(usualOrder(from, to), to) || !isSame(usualOrder(to, from), from);
  return isTold ? [...inside, { path: [...path, ORDER], before: from, after: to }] : inside;
}

/** Who stays as they stand, who is new behind them by id: so it does not matter in which order changes are made. */
const usualOrder = (before: string[], after: string[]): string[] => [
  ...before.filter((id) => after.includes(id)),
  ...after.filter((id) => !before.includes(id)).sort(),
];

/** The same change the other way round. */
export const reversed = ({ path, before, after }: Change): Change => ({ path, before: after, after: before });

/** A value with changes made; what they say of before is not looked at. */
export function withChanges(value: Json, changes: readonly Change[]): Json {
  const copy = structuredClone(value);
  const root: Dict = { root: copy };
  const inOrder = changes
    .filter(({ path: own }) => own.at(-1) !== ORDER)
    .sort((one, other) => byPath(one.path, other.path));
  for (const { path, after } of inOrder) put(root, ["root", ...path], after);
  for (const { path, after } of changes.filter(({ path: own }) => own.at(-1) === ORDER))
    order(root, ["root", ...path.slice(0, -1)], after as string[]);
  return root.root;
}

function byPath(one: string[], other: string[]): number {
  const nth = one.findIndex((name, at) => name !== other[at]);
  if (nth < 0 || other[nth] === undefined) return one.length - other.length;
  return one[nth] < other[nth] ? -1 : 1;
}

function put(at: Json, [name, ...rest]: string[], value: Json | undefined): void {
  if (Array.isArray(at)) return putMember(at as Member[], name, rest, value);
  const dict = at as Dict;
  if (rest.length > 0) return put(dict[name], rest, value);
  if (value === undefined) delete dict[name];
  else Object.defineProperty(dict, name, { value, enumerable: true, configurable: true, writable: true });
}

function putMember(list: Member[], id: string, rest: string[], value: Json | undefined): void {
  const nth = list.findIndex((one) => one.id === id);
  if (rest.length > 0) return put(list[nth], rest, value);
  if (value === undefined) list.splice(nth, 1);
  else if (nth < 0) list.push(value as Member);
  else list[nth] = value as Member;
}

function order(root: Json, path: string[], ids: string[]): void {
  const list = path.reduce<Json>(
    (at, name) => (Array.isArray(at) ? (at as Member[]).find(({ id }) => id === name)! : (at as Dict)[name]),
    root,
  );
  const members = new Map((list as Member[]).map((one) => [one.id, one]));
  (list as Member[]).splice(0, members.size, ...ids.flatMap((id) => members.get(id) ?? []));
}
