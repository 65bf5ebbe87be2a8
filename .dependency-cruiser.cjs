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

module.exports = {
  forbidden: [
    ...downward,
    {
      name: "core-is-pure",
      severity: "error",
      comment: "the core has no interface, DOM, Next or Node API",
      from: { path: "^src/core/", pathNot: "\\.test\\.ts$" },
      to: { path: "node_modules/(react|react-dom|next|@chakra-ui|zustand|idb|lucide-react|@use-gesture)/" },
    },
    {
      name: "core-has-no-node",
      severity: "error",
      from: { path: "^src/core/", pathNot: "\\.test\\.ts$" },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "stages-are-strangers",
      severity: "error",
      comment: "a stage never imports another stage; only the registry and the bench know them",
      from: { path: "^src/features/(brief|layout|wiring|pins|keymap|reports|try|shelf)/" },
      to: {
        path: "^src/features/(brief|layout|wiring|pins|keymap|reports|try|shelf|bench)/",
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
