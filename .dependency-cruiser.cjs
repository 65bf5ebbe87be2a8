// The layers, top to bottom: app, features, ui, store, workers, core. Imports point downward only.
const above = {
  core: "^src/(workers|store|ui|features|app)/",
  workers: "^src/(store|ui|features|app)/",
  store: "^src/(ui|features|app)/",
  ui: "^src/(features|app)/",
  features: "^src/app/",
};

const downward = Object.entries(above).map(([layer, higher]) => ({
  name: `${layer}-points-downward`,
  severity: "error",
  comment: `src/${layer} must not import a layer above it`,
  from: { path: `^src/${layer}/` },
  to: { path: higher },
}));

// The rooms of the core, from the ground up: each may use those before it. Files beside the rooms (words, schema) serve all.
const rooms = [
  "geometry",
  "electrics",
  "optimisation",
  "contract",
  "hid",
  "languages",
  "chips",
  "catalogue",
  "circuits",
  "bindings",
  "axisUses",
  "shapes",
  "document",
  "derived",
  "layout",
  "keymap",
  "pins",
  "wires",
  "matrix",
  "making",
  "cases",
  "capsets",
  "reach",
  "brief",
  "firmware",
  "power",
  "purchase",
  "assembly",
  "analog",
  "timing",
  "levels",
  "engine",
  "bringup",
  "practice",
  "journal",
  "image",
  "loader",
  "live",
  "targets",
  "formats",
  "edits",
  "findings",
  "compare",
  "exports",
];

const notTests = "\\.test\\.ts$";

const roomsInOrder = rooms.slice(0, -1).map((room, at) => ({
  name: `room-${room}-points-downward`,
  severity: "error",
  comment: `core/${room} must not import a room that stands on it`,
  from: { path: `^src/core/${room}/`, pathNot: notTests },
  to: { path: `^src/core/(${rooms.slice(at + 1).join("|")})/` },
}));

const knownRooms = {
  name: "every-room-has-its-place",
  severity: "error",
  comment: "a new room of the core gets a line in the list of rooms",
  from: {},
  to: { path: "^src/core/[^/]+/", pathNot: `^src/core/(${rooms.join("|")})/` },
};

const groundFloor = {
  name: "beside-the-rooms-imports-no-room",
  severity: "error",
  from: { path: "^src/core/[^/]+$", pathNot: notTests },
  to: { path: "^src/core/[^/]+/" },
};

module.exports = {
  forbidden: [
    ...downward,
    ...roomsInOrder,
    knownRooms,
    groundFloor,
    {
      name: "core-is-pure",
      severity: "error",
      comment: "the core has no interface, DOM, Next or Node API",
      from: { path: "^src/core/", pathNot: notTests },
      to: { path: "node_modules/(react|react-dom|next|@chakra-ui|zustand|idb|lucide-react|@use-gesture)/" },
    },
    {
      name: "core-has-no-node",
      severity: "error",
      from: { path: "^src/core/", pathNot: notTests },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "stages-are-strangers",
      severity: "error",
      comment: "a stage never imports another stage; only the registry and the bench know them",
      from: {
        path: "^src/features/(brief|layout|wiring|pins|circuits|keymap|reports|try|make|bringup|journal|practice|shelf)/",
      },
      to: {
        path: "^src/features/(brief|layout|wiring|pins|circuits|keymap|reports|try|make|bringup|journal|practice|shelf|bench)/",
        pathNot: "^src/features/$1/",
      },
    },
    {
      name: "no-cycles",
      severity: "error",
      from: { path: "^src/" },
      to: { circular: true, viaOnly: { dependencyTypesNot: ["type-only"] } },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    tsPreCompilationDeps: "specify",
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: { extensions: [".ts", ".tsx", ".mjs", ".js", ".json"] },
  },
};
