"use client";

import { Box } from "@chakra-ui/react";
import { Bar, BarChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import type { PurchaseView } from "@/core/purchase/purchaseView";

/** What one device costs by how many are made, beside a bought one. */
export function CostChart({ costs, boughtPrice }: { costs: PurchaseView["costs"]; boughtPrice: number | null }) {
  const data = costs.map(({ devices, each }) => ({ devices: String(devices), each: Math.round(100 * each) / 100 }));
  return (
    <Box height="150px" role="img" aria-label="What one device costs by how many are made">
      <ResponsiveContainer>
        <BarChart data={data} margin={{ left: 0, right: 8, top: 16, bottom: 14 }}>
          <XAxis
            dataKey="devices"
            tick={{ fill: "var(--ink)", fontSize: 12 }}
            label={{ value: "devices", position: "insideBottom", offset: -8, fontSize: 12, fill: "var(--faint)" }}
          />
          <YAxis width={44} tick={{ fill: "var(--faint)", fontSize: 12 }} />
          <Tooltip formatter={(value) => `${String(value)} each`} />
          <Bar
            dataKey="each"
            fill="#0072B2"
            isAnimationActive={false}
            label={{ position: "top", fontSize: 12, fill: "var(--ink)" }}
          />
          {boughtPrice !== null && (
            <ReferenceLine
              y={boughtPrice}
              ifOverflow="extendDomain"
              stroke="#D55E00"
              strokeDasharray="5 3"
              label={{ value: "bought", position: "insideTopRight", fontSize: 12, fill: "#D55E00" }}
            />
          )}
        </BarChart>
      </ResponsiveContainer>
    </Box>
  );
}
