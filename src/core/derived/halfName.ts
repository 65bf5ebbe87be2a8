import type { Design } from "../document/schema";

/** What a half is called: the board that its controller lies on, with a number where that is not alone. */
export function halfName({ controllers, boards }: Design, controllerId: string): string {
  const boardOf = (id: string) => controllers.find((one) => one.id === id)?.placement.boardId;
  const here = boardOf(controllerId);
  const same = controllers.filter(({ id }) => boardOf(id) === here);
  const name = boards.find(({ id }) => id === here)?.name ?? "a board that is gone";
  return same.length < 2 ? name : `${name}, controller ${same.findIndex(({ id }) => id === controllerId) + 1}`;
}
