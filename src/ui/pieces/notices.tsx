"use client";

import { later } from "@/ui/pieces/later";
import { type Notice, useNotices } from "./noticeQueue";

/** Tells something in passing, with a way back where there is one. */
export function notify(words: string, action?: Notice["action"]): void {
  useNotices.setState(({ waiting }) => ({ waiting: [...waiting, { words, action }], isNeeded: true }));
}

const NoticeToasts = later(() => import("./NoticeToasts").then((m) => m.NoticeToasts));

export function NoticeBoard() {
  return useNotices((state) => state.isNeeded) && <NoticeToasts />;
}
