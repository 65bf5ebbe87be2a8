"use client";

import { type ComponentType, useEffect, useState } from "react";
import { PlainButton } from "./buttons";

/**
 * A piece of the screen that is fetched when it is first shown; until it is there its place is empty. The page goes on
 * meanwhile: a piece that waits by suspending holds back whatever else the same change was about, and the next click
 * then acts on what the person no longer sees. One that cannot be fetched says so in its place.
 */
export function later<P extends object>(fetch: () => Promise<ComponentType<P>>): ComponentType<P> {
  let fetched: ComponentType<P> | null = null;
  return function Later(props: P) {
    const [Piece, setPiece] = useState(() => fetched);
    const [hasFailed, setFailed] = useState(false);
    useEffect(() => {
      if (Piece || hasFailed) return;
      let isGone = false;
      fetch().then(
        (Got) => {
          fetched = Got;
          if (!isGone) setPiece(() => Got);
        },
        () => {
          if (!isGone) setFailed(true);
        },
      );
      return () => {
        isGone = true;
      };
    }, [Piece, hasFailed]);
    if (hasFailed) return <NotFetched onAgain={() => setFailed(false)} />;
    return Piece && <Piece {...props} />;
  };
}

function NotFetched({ onAgain }: { onAgain: () => void }) {
  return (
    <div role="alert">
      This part of the program could not be fetched. Nothing is lost.{" "}
      <PlainButton height="26px" onClick={onAgain}>
        Try again
      </PlainButton>
    </div>
  );
}
