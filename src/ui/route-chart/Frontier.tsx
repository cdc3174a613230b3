"use client";
import { useEffect, useRef } from "react";
import { spokenDuration } from "@/core/time/duration";
import { FRONTIER } from "@/words/route-chart";
import type { Reached } from "@/workers/plan-desk";

interface FrontierProps {
  readonly choices: Reached["choices"];
  readonly onChoose: (choice: Reached["choices"][number]) => void;
}

/** Lead against quality, a point for each choice that no other beats; the larger, the more work by hand. The list below says the same. */
export function Frontier({ choices, onChoose }: FrontierProps) {
  const frame = useRef<HTMLDivElement>(null);
  const choose = useRef(onChoose);
  choose.current = onChoose;
  useEffect(() => {
    let over = false;
    let end = () => {};
    void (async () => {
      const [{ init, use }, { ScatterChart }, { GridComponent, TooltipComponent }, { SVGRenderer }] = await Promise.all([
        import("echarts/core"),
        import("echarts/charts"),
        import("echarts/components"),
        import("echarts/renderers"),
      ]);
      if (over || !frame.current) return;
      use([ScatterChart, GridComponent, TooltipComponent, SVGRenderer]);
      const style = getComputedStyle(document.documentElement);
      const colour = (name: string) => style.getPropertyValue(name).trim();
      const text = { color: colour("--quiet"), fontFamily: "Figtree Variable", fontSize: 11 };
      const most = Math.max(...choices.map((c) => c.handsMinutes), 1);
      const chart = init(frame.current, null, { renderer: "svg" });
      chart.setOption({
        animation: false,
        grid: { left: 34, right: 14, top: 12, bottom: 34 },
        xAxis: {
          name: FRONTIER.hoursOfLead,
          nameLocation: "middle",
          nameGap: 20,
          nameTextStyle: text,
          scale: true,
          minInterval: 1,
          axisLabel: text,
          splitLine: { show: false },
        },
        yAxis: {
          name: "",
          axisLabel: { ...text, formatter: (v: number) => v.toFixed(1) },
          splitLine: { lineStyle: { color: colour("--rule") } },
        },
        tooltip: {
          formatter: ({ dataIndex }: { dataIndex: number }) => {
            const c = choices[dataIndex];
            return c ? FRONTIER.ofLeadByHand(spokenDuration(c.leadMinutes), spokenDuration(c.handsMinutes)) : "";
          },
        },
        series: [
          {
            type: "scatter",
            data: choices.map((c) => ({
              value: [Number((c.leadMinutes / 60).toFixed(1)), c.lostQuality],
              symbolSize: 8 + 10 * (c.handsMinutes / most),
              itemStyle: c.current
                ? { color: colour("--saffron"), borderColor: colour("--ink"), borderWidth: 1.5 }
                : { color: colour("--rim"), opacity: 0.8 },
            })),
          },
        ],
      });
      chart.on("click", ({ dataIndex }) => {
        const choice = choices[dataIndex];
        if (choice) choose.current(choice);
      });
      end = () => chart.dispose();
    })();
    return () => {
      over = true;
      end();
    };
  }, [choices]);
  return (
    <figure className="my-1" aria-hidden="true">
      <figcaption className="text-[12px] text-quiet">{FRONTIER.lossOfQualityAgainstHours}</figcaption>
      <div ref={frame} className="h-[150px] w-full" data-frontier={choices.length} />
    </figure>
  );
}
