"use client";

import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import { useServerInsertedHTML } from "next/navigation";
import { type ReactNode, useState } from "react";

/** An emotion cache that remembers which styles were added since it was last asked. */
function createRegistry() {
  const cache = createCache({ key: "ovrin" });
  cache.compat = true;
  const insert = cache.insert;
  let added: string[] = [];
  cache.insert = (...args) => {
    const { name } = args[1];
    if (cache.inserted[name] === undefined) added.push(name);
    return insert(...args);
  };
  const flush = () => {
    const names = added;
    added = [];
    return names;
  };
  return { cache, flush };
}

/** Styles made on the server go to the head before the page that needs them, so that both sides agree on the markup. */
export function StyleSheets({ children }: { children: ReactNode }) {
  const [{ cache, flush }] = useState(createRegistry);
  useServerInsertedHTML(() => {
    const names = flush();
    if (names.length === 0) return null;
    const css = names.map((name) => cache.inserted[name]).filter((style) => typeof style === "string");
    return (
      <style data-emotion={`${cache.key} ${names.join(" ")}`} dangerouslySetInnerHTML={{ __html: css.join("") }} />
    );
  });
  return <CacheProvider value={cache}>{children}</CacheProvider>;
}
