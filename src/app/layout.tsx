import "@fontsource-variable/atkinson-hyperlegible-mono/wght.css";
import "@fontsource-variable/atkinson-hyperlegible-next/wght.css";
import "./globals.css";
import type { Metadata } from "next";
import type { ReactNode } from "react";
import { Materials } from "@/ui/theme/Materials";
import { lightScript } from "@/ui/theme/lightScript";

export const metadata: Metadata = {
  title: "Ovrin",
  description: "From the wish for a keyboard, pad or panel to a device that reports correctly.",
};

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <script dangerouslySetInnerHTML={{ __html: lightScript }} />
      </head>
      <body>
        <Materials>{children}</Materials>
      </body>
    </html>
  );
}
