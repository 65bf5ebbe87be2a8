"use client";

import { useSyncExternalStore } from "react";
import { LIGHT_KEY } from "./lightScript";

/** Day or night bench. */
export type Light = "day" | "night";

const listeners = new Set<() => void>();

const current = (): Light => (document.documentElement.classList.contains("dark") ? "night" : "day");

export function setLight(light: Light): void {
  document.documentElement.classList.toggle("dark", light === "night");
  try {
    localStorage.setItem(LIGHT_KEY, light);
  } catch {
    // A window without storage forgets the choice; nothing else depends on it.
  }
  listeners.forEach((listener) => listener());
}

const listen = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export const useLight = (): Light => useSyncExternalStore(listen, current, () => "day");
