"use client";
import { useEffect, useMemo, useRef } from "react";
import type { Curve, Line } from "@/core/bench/panel";
import { said, type Units } from "@/core/bench/quantity";
import { CUP } from "@/core/measures/rounding";
import { MASS_G } from "@/core/measures/units";
import { CURVE_CHART } from "@/words/charts";
import { useFigures } from "../shell/conventions";

const COLOUR: Readonly<Record<Line["look"], string>> = {
  copper: "--copper",
  leaf: "--leaf",
  beet: "--beet",
  rim: "--rim",
  quiet: "--quiet",
};
const ROWS = 9;

/** A curve with its lines, bands and marks, and the same as a table below it. */
export function CurveChart({ curve, units }: { readonly curve: Curve; readonly units: Units }) {
  const frame = useRef<HTMLDivElement>(null);
  const latest = useRef(curve);
  latest.current = curve;
  const told = useFigures();
  const draw = useRef<() => void>(undefined);
  useEffect(() => {
    let over = false;
    let end = () => {};
    void (async () => {
      const [{ init, use }, { LineChart }, { GridComponent, MarkLineComponent, TooltipComponent }, { SVGRenderer }] = await Promise.all([
        import("echarts/core"),
        import("echarts/charts"),
        import("echarts/components"),
        import("echarts/renderers"),
      ]);
      if (over || !frame.current) return;
      use([LineChart, GridComponent, MarkLineComponent, TooltipComponent, SVGRenderer]);
      const chart = init(frame.current, null, { renderer: "svg" });
      draw.current = () => chart.setOption(optionOf(latest.current, units, told), { notMerge: true });
      draw.current();
      const sized = new ResizeObserver(() => chart.resize());
      sized.observe(frame.current);
      // The colours are those of the light that the reader chose.
      const lit = new MutationObserver(() => draw.current?.());
      lit.observe(document.documentElement, { attributes: true, attributeFilter: ["data-theme"] });
      const dark = window.matchMedia("(prefers-color-scheme: dark)");
      const redraw = () => draw.current?.();
      dark.addEventListener("change", redraw);
      end = () => {
        sized.disconnect();
        lit.disconnect();
        dark.removeEventListener("change", redraw);
        chart.dispose();
      };
    })();
    return () => {
      over = true;
      end();
    };
  }, [units, told]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: drawn anew as the curve changes; the drawing reads the latest
  useEffect(() => draw.current?.(), [curve]);
  const rows = useMemo(() => tableOf(curve, units).map((row) => row.map(told)), [curve, units, told]);
  return (
    <figure className="my-4 min-w-0">
      <figcaption className="flex flex-wrap items-baseline gap-x-4 gap-y-1 text-[13px]">
        <span className="caps">{curve.title}</span>
        {curve.lines.map((l) => (
          <span key={l.name} className="flex items-center gap-1.5">
            <svg width="26" height="8" aria-hidden="true">
              {l.dots ? (
                <circle cx="13" cy="4" r="3.5" fill={`var(${COLOUR[l.look]})`} />
              ) : (
                <line
                  x1="0"
                  y1="4"
                  x2="26"
                  y2="4"
                  stroke={`var(${COLOUR[l.look]})`}
                  strokeWidth="2.2"
                  strokeDasharray={l.dash ? "5 4" : undefined}
                />
              )}
            </svg>
            {l.name}
          </span>
        ))}
      </figcaption>
      <div ref={frame} className="h-[230px] w-full" data-curve={curve.title} aria-hidden="true" />
      <details className="text-[13px]">
        <summary className="cursor-pointer text-rim">{CURVE_CHART.showAsTable}</summary>
        <div className="overflow-x-auto">
          <table className="mt-1 w-full max-w-[40rem]">
            <caption className="sr-only">{curve.title}</caption>
            <thead>
              <tr className="text-left text-quiet">
                <th scope="col" className="py-1 pr-3 font-normal">
                  {curve.x.label}
                </th>
                {curve.lines.map((l) => (
                  <th key={l.name} scope="col" className="py-1 pr-3 text-right font-normal">
                    {l.name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map(([at, ...cells]) => (
                <tr key={at} className="border-t border-rule">
                  <th scope="row" className="clock py-1 pr-3 text-left font-normal">
                    {at}
                  </th>
                  {cells.map((cell, i) => (
                    <td key={curve.lines[i]?.name} className="clock py-1 pr-3 text-right">
                      {cell}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </details>
    </figure>
  );
}

/** A line's height at x, on a straight line between its points; undefined outside them. */
export function heightAt(points: Line["points"], x: number): number | undefined {
  const after = points.findIndex(([px]) => px >= x);
  if (after < 0) return undefined;
  const [x1, y1] = points[after] as readonly [number, number];
  if (x1 === x || after === 0) return x1 === x ? y1 : undefined;
  const [x0, y0] = points[after - 1] as readonly [number, number];
  return y0 + ((y1 - y0) * (x - x0)) / (x1 - x0);
}

/** The curve at some places along it; readings by their own. */
export function tableOf(curve: Curve, units: Units): string[][] {
  const xs = curve.lines.flatMap((l) => l.points.map(([x]) => x));
  const [low, high] = [Math.min(...xs), Math.max(...xs)];
  const dots = curve.lines.filter((l) => l.dots).flatMap((l) => l.points.map(([x]) => x));
  const at = [...new Set([...Array.from({ length: ROWS }, (_, i) => low + ((high - low) * i) / (ROWS - 1)), ...dots])].sort(
    (a, b) => a - b,
  );
  return at.map((x) => [
    said(x, curve.x.of, units),
    ...curve.lines.map((l) => {
      const y = l.dots ? l.points.find(([px]) => px === x)?.[1] : heightAt(l.points, x);
      const band = l.band && [
        heightAt(
          l.band.map(([bx, lo]) => [bx, lo] as const),
          x,
        ),
        heightAt(
          l.band.map(([bx, , hi]) => [bx, hi] as const),
          x,
        ),
      ];
      if (y === undefined) return "";
      const middle = said(y, curve.y.of, units);
      return band?.[0] !== undefined && band[1] !== undefined
        ? CURVE_CHART.to(middle, said(band[0], curve.y.of, units), said(band[1], curve.y.of, units))
        : middle;
    }),
  ]);
}

/** What is drawn is in the reader's own units, so that the axis has round figures. */
const US_AXIS: Readonly<Partial<Record<Curve["y"]["of"], readonly [scale: (v: number) => number, unit: string]>>> = {
  temp: [(v) => v * 1.8 + 32, "°F"],
  volume: [(v) => v / (4 * CUP), "qt"],
  mass: [(v) => v / MASS_G.lb, "lb"],
};
const scaled = (of: Curve["y"]["of"], units: Units): ((v: number) => number) => (units === "us" && US_AXIS[of]?.[0]) || ((v) => v);

function optionOf(curve: Curve, units: Units, told: (text: string) => string) {
  const style = getComputedStyle(document.documentElement);
  // light-dark() is resolved by setting it somewhere: the probe reads what the page shows.
  const probe = document.createElement("span");
  document.body.append(probe);
  const colour = (name: string) => {
    probe.style.color = `var(${name})`;
    return getComputedStyle(probe).color;
  };
  const text = {
    color: colour("--quiet"),
    fontFamily: style.getPropertyValue("--font-mono") || "Spline Sans Mono Variable",
    fontSize: 11.5,
  };
  const up = scaled(curve.y.of, units);
  const drawn = units === "us" ? US_AXIS[curve.y.of]?.[1] : undefined;
  const label = (v: number, of: Curve["y"]["of"]) =>
    told(
      drawn
        ? `${Number(v.toPrecision(3))} ${drawn}`
        : of === "temp"
          ? `${Math.round(v)} °C`
          : of === "pH"
            ? v.toFixed(1)
            : said(v, of, units),
    );
  const xs = curve.lines.flatMap((l) => l.points.map(([x]) => x));
  const most = Math.max(...xs, ...(curve.marks ?? []).filter((m) => m.on === "x").map((m) => m.at));
  const option = {
    animation: false,
    grid: { left: 8, right: 18, top: 24, bottom: 6, outerBoundsMode: "same", outerBoundsContain: "axisLabel" },
    tooltip: {
      trigger: "axis",
      backgroundColor: colour("--raised"),
      borderColor: colour("--rule"),
      textStyle: { ...text, color: colour("--ink") },
      formatter: (items: readonly { seriesName: string; value: readonly [number, number] }[]) => {
        const shown = items.filter((i) => !i.seriesName.startsWith("band:"));
        if (!shown[0]) return "";
        return [
          told(said(shown[0].value[0], curve.x.of, units)),
          ...shown.map((i) => `${i.seriesName}: ${label(i.value[1], curve.y.of)}`),
        ].join("<br>");
      },
    },
    xAxis: {
      type: "value",
      min: 0,
      max: most,
      interval: stepOf(most, curve.x.of, units),
      axisLabel: { ...text, formatter: (v: number) => told(said(v, curve.x.of, units)), hideOverlap: true, showMaxLabel: false },
      splitLine: { show: false },
      axisLine: { lineStyle: { color: colour("--rule") } },
    },
    yAxis: {
      type: "value",
      ...(curve.y.from === undefined ? { scale: true } : { min: up(curve.y.from) }),
      ...(curve.y.to === undefined ? {} : { max: up(curve.y.to) }),
      ...(curve.y.of === "time" ? timesUp(curve, units) : {}),
      axisLabel: { ...text, formatter: (v: number) => label(v, curve.y.of) },
      splitLine: { lineStyle: { color: colour("--rule") } },
    },
    series: curve.lines.flatMap((l, i) => [
      ...(l.band
        ? [
            {
              name: "band:low",
              type: "line",
              data: l.band.map(([x, lo]) => [x, up(lo)]),
              stack: `band${i}`,
              symbol: "none",
              silent: true,
              lineStyle: { opacity: 0 },
            },
            {
              name: "band:high",
              type: "line",
              data: l.band.map(([x, lo, hi]) => [x, up(hi) - up(lo)]),
              stack: `band${i}`,
              symbol: "none",
              silent: true,
              lineStyle: { opacity: 0 },
              areaStyle: { color: colour(COLOUR[l.look]), opacity: 0.16 },
            },
          ]
        : []),
      {
        name: l.name,
        type: "line",
        data: l.points.map(([x, y]) => [x, up(y)]),
        symbol: l.dots ? "circle" : "none",
        symbolSize: 9,
        lineStyle: { color: colour(COLOUR[l.look]), width: l.dots ? 0 : 2.2, type: l.dash ? "dashed" : "solid" },
        itemStyle: { color: colour(COLOUR[l.look]) },
        ...(i === 0 && curve.marks?.length
          ? {
              markLine: {
                silent: true,
                symbol: "none",
                animation: false,
                lineStyle: { color: colour("--quiet"), type: "dotted", width: 1.2 },
                label: { ...text, position: "insideEndTop", fontFamily: "Figtree Variable" },
                data: curve.marks.map((m) => ({
                  ...(m.on === "x" ? { xAxis: m.at } : { yAxis: up(m.at) }),
                  label: { formatter: told(m.label), ...(m.on === "x" ? { rotate: 0, position: "end", distance: 3 } : {}) },
                })),
              },
            }
          : {}),
      },
    ]),
  };
  probe.remove();
  return option;
}

const DAY = 1440;
const TIMES = [15, 30, 60, 120, 240, 480, 720, DAY, 2 * DAY, 5 * DAY, 7 * DAY, 14 * DAY, 30 * DAY, 60 * DAY];
const INCHES = [0.25, 0.5, 1, 2, 4].map((inches) => inches * 25.4);
/** Steps of the axis that a cook counts in: hours and days, not 600 minutes; half inches, not thirty millimetres. */
export function stepOf(most: number, of: Curve["x"]["of"], units: Units): number | undefined {
  const steps = of === "time" ? TIMES : of === "length" && units === "us" ? INCHES : [];
  return steps.find((s) => most / s <= 7);
}

/** An axis of times up the side ends at one of its steps. */
function timesUp(curve: Curve, units: Units) {
  const most = Math.max(...curve.lines.flatMap((l) => [...l.points.map(([, y]) => y), ...(l.band ?? []).map(([, , high]) => high)]));
  const interval = stepOf(most, "time", units);
  return interval === undefined ? {} : { interval, max: Math.ceil(most / interval) * interval };
}
