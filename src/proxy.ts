import { NextResponse, type NextRequest } from "next/server";

export const config = { matcher: ["/api/:path*", "/bench/:path*"] };

function isReadable(path: string): boolean {
  try {
    decodeURIComponent(path);
    return true;
  } catch {
    return false;
  }
}

/** Addresses whose percent signs mean no text are answered here, before a route is looked for. */
export function proxy({ nextUrl }: NextRequest): NextResponse {
  if (isReadable(nextUrl.pathname)) return NextResponse.next();
  if (!nextUrl.pathname.startsWith("/api/")) return NextResponse.redirect(new URL("/", nextUrl));
  const message = "is no readable address: a percent sign in it is followed by what is no UTF-8 text";
  return NextResponse.json({ problems: [{ path: "", message }] }, { status: 400 });
}
