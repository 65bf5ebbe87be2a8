import { GROUND, SUPPLY } from "../../circuits/net";
import { derive } from "../../derived/derive";
import type { Design } from "../../document/schema";
import type { Consumer, State } from "../../power/consumers";
import { DARK_LIGHT_MA, LIGHT_COLOURS } from "../../power/lightCurrent";
import { worldOf } from "../../power/solveSupply";
import type { World } from "../../power/settleSupply";
import type { Feed } from "../../power/feeds";
import { type Deck, spice } from "./deck";

const ENTRY = "the module's entry";

/** What of a voltage arrives behind a feed, as an expression: its own function at three points tells which sort it is. */
function arrivesAs({ arrives }: Feed, from: string): string {
  const [high, higher, low] = [arrives(20), arrives(30), arrives(2)];
  if (high === higher) return `min(${spice(high)},max(0,${from}-${spice(2 - low)}))`;
  return `max(0,${from}-${spice(20 - high)})`;
}

/** Current of one light at its own voltage, in A, as an expression in that voltage. */
function lightCurrent(consumer: Consumer, state: State, volts: string): string {
  const { whiteMa, level, colours, share } = consumer.glow!(state);
  const each = (Math.max(0, whiteMa - DARK_LIGHT_MA) / LIGHT_COLOURS.length) * level * share;
  const lit = LIGHT_COLOURS.slice(LIGHT_COLOURS.length - colours);
  const parts = lit.map(
    ({ fullV, goneV }) => `${spice(each)}*min(1,max(0,(${volts}-${goneV})/${spice(fullV - goneV)}))`,
  );
  const dark = `${DARK_LIGHT_MA}*min(1,max(0,${volts}/2))`;
  return `(${[dark, ...parts].join("+")})/1000`;
}

/** The place where a feed begins. */
function beginningOf({ from }: Feed): string {
  if (from.at === "entry") return ENTRY;
  return from.at === "outside" ? "the outside supply" : from.end;
}

function addFeeds(deck: Deck, world: World) {
  for (const feed of world.feeds) {
    const { root, net } = world.nets.find(({ net: one }) => one.id === feed.netId)!;
    const from = deck.node(beginningOf(feed));
    const behind = deck.node(`behind ${feed.part.title} for ${net.flag}`);
    const to = deck.node(root, `${net.flag} at its start, ${root}`);
    deck.put("B", `${behind} 0 V=${arrivesAs(feed, `V(${from})`)}`);
    const meter = deck.put("V", `${behind} ${to} 0`);
    deck.put("B", `${from} 0 I=I(${meter})`);
  }
}

function addConsumers(deck: Deck, world: World) {
  const hasLogicNet = world.feeds.some(({ netId }) => netId === SUPPLY);
  const rootOf = (netId: string) => world.nets.find(({ net }) => net.id === netId)?.root;
  for (const consumer of world.consumers) {
    const inside = hasLogicNet ? rootOf(consumer.railId) : ENTRY;
    const plus = deck.node(consumer.plus ?? inside ?? ENTRY);
    const minus = consumer.minus === null ? "0" : (deck.known(consumer.minus) ?? "0");
    deck.comment(`${consumer.label}, ${consumer.sort}`);
    const volts = `V(${plus},${minus})`;
    if (consumer.glow) deck.put("B", `${plus} ${minus} I=${lightCurrent(consumer, world.state, volts)}`);
    else deck.put("I", `${plus} ${minus} ${spice(consumer.ma(world.state, world.sourceV) / 1000)}`);
  }
}

/** The supply tree with every wire, and what takes current at a moment. */
export function addSupply(deck: Deck, design: Design, state: State): void {
  const derived = derive(design);
  if (!derived.profile) return;
  const world = worldOf(derived, state);
  deck.comment(`supply, ${state}: ${world.source.title}`);
  const ground = world.nets.find(({ net }) => net.id === GROUND);
  if (ground) deck.ground(ground.root);
  const source = deck.node("the source");
  deck.put("V", `${source} 0 ${spice(world.sourceV)}`);
  const cabled = deck.node("behind cable and fuse");
  deck.put("R", `${source} ${cabled} ${spice(Math.max(1e-6, world.seriesOhm))}`);
  deck.put("V", `${cabled} ${deck.node(ENTRY)} ${spice(world.diodeV)}`);
  if (world.feeds.some(({ from }) => from.at === "outside")) deck.put("V", `${deck.node("the outside supply")} 0 5`);
  for (const { net, branches } of world.nets) {
    if (net.id !== GROUND && !world.feeds.some(({ netId }) => netId === net.id)) continue;
    deck.comment(`copper of ${net.flag}`);
    for (const { a, b, ohm } of branches) deck.put("R", `${deck.node(a)} ${deck.node(b)} ${spice(ohm)}`);
  }
  addFeeds(deck, world);
  addConsumers(deck, world);
}
