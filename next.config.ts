import type { NextConfig } from "next";

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  // Types are checked on their own, by the verify command; checking them again would only make the demo start slower.
  typescript: { ignoreBuildErrors: true },
  // The solid-modelling package finds its WebAssembly beside its own file.
  serverExternalPackages: ["manifold-3d"],
  experimental: { optimizePackageImports: ["@chakra-ui/react", "lucide-react"] },
};

export default config;
