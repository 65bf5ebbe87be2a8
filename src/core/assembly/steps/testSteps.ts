import type { Board } from "../../document/schema";
import { counted } from "../../words";
import { type Bench, contactsOf, controlsOn, controllerName, fitted, isMade, joinedTo, onBoard, step } from "../bench";
import type { Reach, Step, Want } from "../step";
import { coversContacts, isUnderModule, modulesOf, ownFace } from "./moduleSteps";
import { smallOn } from "./smallPartSteps";

type Module = ReturnType<typeof modulesOf>[number];

const tested = (token: string, words: string): Want => ({ token, sort: "test first", words });

/** What hangs on one controller: its controls, added parts and small parts, by their names. */
function hangsOn(
  { derived, design, names }: Bench,
  controllerId: string,
): { controlIds: string[]; parts: string[]; nets: string[] } {
  const isMain = design.controllers[0]?.id === controllerId;
  const nets = derived.nets.filter((net) => net.controllerId === controllerId || (isMain && !net.controllerId));
  const joined = nets.flatMap(({ joints }) => joints.map(({ controlId }) => controlId));
  const controlIds = [...new Set(joined)].filter((id) => derived.controls.has(id));
  const others = [...new Set(joined)].flatMap((id) => names.chips.get(id) ?? names.shunts.get(id) ?? []);
  const netIds = new Set(nets.map(({ id }) => id));
  const inLeads = derived.builtCircuits.flatMap(({ inline }) =>
    inline.flatMap((one) => (netIds.has(one.netId) ? (names.inlines.get(`${one.contactId} ${one.netId}`) ?? []) : [])),
  );
  return { controlIds, parts: [...others, ...inLeads], nets: nets.map(({ id }) => id) };
}

function shortStep(bench: Bench, { controller }: Module): Step {
  const name = controllerName(bench, controller.id);
  const { parts, nets } = hangsOn(bench, controller.id);
  return step({
    id: `short ${controller.id}`,
    sort: "measure",
    title: `Measure supply against ground at ${name}`,
    boardId: controller.placement.boardId,
    face: "back",
    tool: "meter",
    units: 4,
    how: ["Without a plug: resistance between every supply pad and ground."],
    checks: ["More than 1 kΩ, or rising while a capacitor fills: good. A few ohms: find it before any power comes."],
    lit: { controls: [], chips: [], controllers: [controller.id] },
    wants: [
      joinedTo(name),
      ...parts.map((part) => tested(fitted(part), "a short that it makes is found before power")),
      ...nets.map((net) => tested(`wired ${net}`, "a short that it makes is found before power")),
    ],
    gives: [`no short ${controller.id}`],
  });
}

function loadStep(bench: Bench, module: Module): Step {
  const { controller } = module;
  const name = controllerName(bench, controller.id);
  return step({
    id: `load ${controller.id}`,
    sort: "load",
    title: `Load the firmware into ${name}`,
    boardId: controller.placement.boardId,
    tool: "computer",
    units: 1,
    how: ["Hold its loader button while plugging in; Load it writes the rest."],
    checks: ["The computer lists the device by its name."],
    lit: { controls: [], chips: [], controllers: [controller.id] },
    reaches: [
      {
        boardId: controller.placement.boardId,
        face: ownFace(module),
        at: controller.placement,
        of: `the loader button of ${name}`,
        owner: name,
      },
    ],
    wants: [tested(`no short ${controller.id}`, "power only after supply and ground were measured")],
    gives: [`loaded ${controller.id}`],
  });
}

/** Contacts where a fault would be mended. */
const mended = (bench: Bench, controlIds: string[]): Reach[] =>
  controlIds.flatMap((id) => contactsOf(bench, bench.derived.controls.get(id)!, "back"));

function pressStep(bench: Bench, { controller }: Module): Step {
  const { controlIds, nets } = hangsOn(bench, controller.id);
  const inputs = bench.derived.inputs.filter(({ id }) => controlIds.some((control) => id.startsWith(`${control}:`)));
  const shown = controlIds.filter((id) =>
    ["lamp", "light", "segments", "display"].includes(bench.derived.controls.get(id)!.kind),
  );
  const words = [
    ...(inputs.length > 0 ? [`press ${counted(inputs.length, "input")}`] : []),
    ...(shown.length > 0
      ? [
          `light ${counted(shown.length, "lamp")}`.replace(
            /lamp(s?)$/,
            shown.every((id) => bench.derived.controls.get(id)!.kind === "lamp") ? "lamp$1" : "sign$1",
          ),
        ]
      : []),
  ].join(", ");
  return step({
    id: `press ${controller.id}`,
    sort: "try",
    title: `Try ${controllerName(bench, controller.id)}: ${words || "it answers"}`,
    boardId: controller.placement.boardId,
    tool: "computer",
    units: inputs.length + shown.length,
    how: ["One at a time, and watch what the computer gets; bend the board a little meanwhile."],
    checks: [
      "Every press is told once, and as what it is; nothing else is told with it.",
      ...(shown.length > 0 ? ["Every lamp and light comes on, each at its own place."] : []),
    ],
    lit: { controls: controlIds, chips: [], controllers: [controller.id] },
    reaches: mended(bench, controlIds).filter((contact) => !isUnderModule(bench, contact)),
    wants: [
      tested(`loaded ${controller.id}`, "without firmware nothing is told"),
      ...controlIds.map((id) => joinedTo(bench.names.controls.get(id)!)),
      ...controlIds.map((id): Want => ({
        token: `soldered ${bench.names.controls.get(id)!}`,
        sort: "joined",
        words: "must be soldered",
      })),
      ...nets.map((net): Want => ({ token: `wired ${net}`, sort: "joined", words: "must be wired" })),
    ],
    gives: controlIds.map((id) => `tried ${id}`),
  });
}

/** Before a switch hides a pad, the pad is tried: by the loaded module, or by the meter where the module must come later. */
function padStep(bench: Bench, board: Board): Step[] {
  const keys = controlsOn(bench, board.id).filter(({ kind }) => kind === "key");
  if (!isMade(bench, board.id) || keys.length === 0) return [];
  const byMeter =
    coversContacts(bench, board.id) ||
    !modulesOf(bench).some(({ controller }) => controller.placement.boardId === board.id);
  const modules = modulesOf(bench).filter(({ controller }) => controller.placement.boardId === board.id);
  return [
    step({
      id: `pads ${board.id}`,
      sort: "measure",
      title: byMeter
        ? `Measure from ${counted(keys.length, "switch place")} to the module's pads${onBoard(bench, board.id)}`
        : `Bridge ${counted(keys.length, "pair")} of switch pads with tweezers${onBoard(bench, board.id)}`,
      boardId: board.id,
      face: "back",
      tool: byMeter ? "meter" : "computer",
      units: keys.length,
      how: [
        byMeter
          ? "The module comes later, over these pads: so each is measured to its row and column."
          : "With the firmware loaded, each bridge is told like a press.",
      ],
      checks: ["Every pair answers, and only that one."],
      lit: { controls: keys.map(({ id }) => id), chips: [], controllers: [] },
      reaches: keys.flatMap((control) => contactsOf(bench, control, "back")),
      wants: [
        ...smallOn(bench, board.id).map(({ name }) => joinedTo(name)),
        ...(byMeter
          ? []
          : modules.map(({ controller }) => tested(`loaded ${controller.id}`, "the loaded module tells each bridge"))),
      ],
      gives: [`pads tried ${board.id}`],
    }),
  ];
}

/** What is measured and tried, before something covers it or power comes. */
export const testSteps = (bench: Bench): Step[] => [
  ...bench.design.boards.flatMap((board) => padStep(bench, board)),
  ...modulesOf(bench).flatMap((module) => [
    shortStep(bench, module),
    loadStep(bench, module),
    pressStep(bench, module),
  ]),
];
