import { jobsOf, leadsOf } from "../bindings";
import { axisProblem } from "./axes";
import type { Problem } from "./problem";
import type { Design } from "./schema";

function repeated(values: string[], path: string): Problem[] {
  const seen = new Set<string>();
  return values.flatMap((value, index) => {
    if (!seen.has(value)) {
      seen.add(value);
      return [];
    }
    return [{ path: `${path}.${index}`, message: `uses the id "${value}" a second time; each needs its own` }];
  });
}

const idsOf = (entries: { id: string }[]) => entries.map(({ id }) => id);

function boardProblems({ boards, controls, controllers }: Design): Problem[] {
  const known = new Set(idsOf(boards));
  const ofList = (list: { placement: { boardId: string } }[], name: string) =>
    list.flatMap(({ placement: { boardId } }, at) =>
      known.has(boardId)
        ? []
        : [
            {
              path: `${name}.${at}.placement.boardId`,
              message: `lies on the board "${boardId}", which the design does not have`,
            },
          ],
    );
  return [...ofList(controls, "controls"), ...ofList(controllers, "controllers")];
}

function linkProblems({ partLinks = [], controllers, circuits }: Design): Problem[] {
  const known = new Set(idsOf(controllers));
  const gone = (path: string, id: string) =>
    known.has(id) ? [] : [{ path, message: `names the controller "${id}", which the design does not have` }];
  return [
    ...partLinks.flatMap(({ nearId, farId }, at) => [
      ...gone(`partLinks.${at}.nearId`, nearId),
      ...gone(`partLinks.${at}.farId`, farId),
      ...(nearId === farId ? [{ path: `partLinks.${at}`, message: "leads from a controller to itself" }] : []),
    ]),
    ...circuits.flatMap(({ controllerId }, at) =>
      controllerId === undefined ? [] : gone(`circuits.${at}.controllerId`, controllerId),
    ),
    ...repeated(
      partLinks.map(({ farId }) => farId),
      "partLinks",
    ),
  ];
}

function macroProblems({ keymap: { layers, macros = [] } }: Design): Problem[] {
  const known = new Set(idsOf(layers));
  return macros.flatMap(({ steps }, at) =>
    steps.flatMap((step, nth) =>
      step.step !== "layer" || known.has(step.layerId)
        ? []
        : [
            {
              path: `keymap.macros.${at}.steps.${nth}.layerId`,
              message: `leads to the layer "${step.layerId}", which the design does not have`,
            },
          ],
    ),
  );
}

function playedProblems({ keymap: { layers, macros = [] } }: Design): Problem[] {
  const known = new Set(idsOf(macros));
  return layers.flatMap((layer, at) =>
    Object.entries(layer.bindings).flatMap(([input, binding]) =>
      jobsOf(binding).flatMap((job) =>
        job.does !== "macro" || known.has(job.macroId)
          ? []
          : [
              {
                path: `keymap.layers.${at}.bindings.${input}`,
                message: `plays the macro "${job.macroId}", which the design does not have`,
              },
            ],
      ),
    ),
  );
}

function layerProblems({ keymap: { layers } }: Design): Problem[] {
  const known = new Set(idsOf(layers));
  return layers.flatMap((layer, at) =>
    Object.entries(layer.bindings).flatMap(([input, binding]) => {
      const gone = leadsOf(binding).find(({ layerId }) => !known.has(layerId));
      if (!gone) return [];
      return [
        {
          path: `keymap.layers.${at}.bindings.${input}`,
          message: `leads to the layer "${gone.layerId}", which the design does not have`,
        },
      ];
    }),
  );
}

function axisProblems({ keymap: { axes = {} } }: Design): Problem[] {
  return Object.entries(axes).flatMap(([elementId, axis]) => {
    const message = axisProblem(axis);
    return message === null ? [] : [{ path: `keymap.axes.${elementId}`, message }];
  });
}

/** References that the schema cannot check: ids are unique, and what is named exists. */
export function referenceProblems(design: Design): Problem[] {
  return [
    ...repeated(idsOf(design.controls), "controls"),
    ...repeated(idsOf(design.boards), "boards"),
    ...repeated(idsOf(design.circuits), "circuits"),
    ...repeated(idsOf(design.controllers), "controllers"),
    ...repeated(idsOf(design.keymap.layers), "keymap.layers"),
    ...repeated(idsOf(design.keymap.together ?? []), "keymap.together"),
    ...repeated(idsOf(design.keymap.macros ?? []), "keymap.macros"),
    ...macroProblems(design),
    ...playedProblems(design),
    ...axisProblems(design),
    ...boardProblems(design),
    ...linkProblems(design),
    ...layerProblems(design),
  ];
}
