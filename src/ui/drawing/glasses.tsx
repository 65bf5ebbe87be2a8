"use client";

import { chakra } from "@chakra-ui/react";
import type { Display } from "@/core/catalogue/kinds/display";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { useSession } from "@/store/session";
import { Section } from "@/ui/pieces/sheets";

/** Of the part's outline, what its dots take: common for modules of this sort. */
const LIT_SHARE = 0.8;

/** What displays of dots show while the device runs: what they were told, dot by dot. */
export function LiveGlass({ design }: { design: Design }) {
  const glasses = useSession((state) => state.glasses);
  return design.controls
    .filter((control): control is Display => control.kind === "display" && Object.hasOwn(glasses, control.id))
    .map((control) => <Glass key={control.id} design={design} control={control} path={glasses[control.id]} />);
}

function Glass({ design, control, path }: { design: Design; control: Display; path: string }) {
  const { xMm, yMm, rotationDeg } = control.placement;
  const { widthPx, heightPx } = control;
  const { body } = derive(design).partOf(control);
  const scale = Math.min((LIT_SHARE * body.widthMm) / widthPx, (LIT_SHARE * body.heightMm) / heightPx);
  return (
    <g
      role="img"
      aria-label={`${control.label} shows ${path === "" ? "nothing" : "its page"}`}
      transform={`translate(${xMm} ${yMm}) rotate(${rotationDeg}) scale(${scale}) translate(${-widthPx / 2} ${-heightPx / 2})`}
      pointerEvents="none"
    >
      <rect x={-4} y={-4} width={widthPx + 8} height={heightPx + 8} rx={2} fill="var(--cap-ink)" />
      <path d={path} fill="var(--mat-ink)" />
    </g>
  );
}

/** What displays of dots show, large enough to be read. */
export function GlassViews({ design }: { design: Design }) {
  const glasses = useSession((state) => state.glasses);
  return design.controls
    .filter((control): control is Display => control.kind === "display" && Object.hasOwn(glasses, control.id))
    .map(({ id, label, widthPx, heightPx }) => (
      <Section key={id} title={`On ${label}`}>
        <chakra.svg
          viewBox={`-2 -2 ${widthPx + 4} ${heightPx + 4}`}
          role="img"
          aria-label={`What ${label} shows, large`}
          width="100%"
          maxHeight="220px"
          background="var(--cap-ink)"
          borderRadius="3px"
        >
          <path d={glasses[id]} fill="var(--mat-ink)" />
        </chakra.svg>
      </Section>
    ));
}
