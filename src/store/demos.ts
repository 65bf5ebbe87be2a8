import type { Design } from "@/core/document/schema";
import { seedDemos } from "./designRepository";

async function fetched<T>(address: string): Promise<T> {
  const answer = await fetch(address);
  if (!answer.ok) throw new Error(`The demo designs could not be loaded: the server answered ${answer.status}.`);
  return (await answer.json()) as T;
}

/** The demo designs as data from the app's own server; without one (scripts and tests) from their files. */
export async function loadDemos(): Promise<Design[]> {
  if (typeof location === "undefined") return (await import("@demo/index")).shelfDesigns;
  const list = await fetched<{ id: string }[]>("/api/demos");
  return Promise.all(list.map(({ id }) => fetched<Design>(`/api/demos/${id}`)));
}

/** On the first visit, wherever it leads, the demos come onto the shelf. */
export const layOutDemos = (): Promise<void> => seedDemos(loadDemos, new Date());
