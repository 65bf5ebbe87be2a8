"use client";

import { useRouter } from "next/navigation";
import type { AnchorHTMLAttributes, MouseEvent } from "react";

interface PageLinkProps extends Omit<AnchorHTMLAttributes<HTMLAnchorElement>, "onClick"> {
  href: string;
  /** Goes there in another way than by loading the page. */
  onGo?: () => void;
}

const isForThisTab = (event: MouseEvent) =>
  event.button === 0 && !event.metaKey && !event.ctrlKey && !event.shiftKey && !event.altKey;

/**
 * A link within the app; what is in hand stays. The framework's own link brings all that large sites need of one, more
 * than the first visit has room for.
 */
export function PageLink({ href, onGo, ...rest }: PageLinkProps) {
  const router = useRouter();
  const click = (event: MouseEvent) => {
    if (!isForThisTab(event)) return;
    event.preventDefault();
    if (onGo) onGo();
    else router.push(href);
  };
  return <a href={href} onClick={click} {...rest} />;
}
