// The pages for engineers name files and commands: what they name is there.
import { existsSync, readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { describe, expect, test } from "vitest";

const root = fileURLToPath(new URL("..", import.meta.url));
const PAGES = ["README.md", ...readdirSync(path.join(root, "docs")).flatMap((f) => (f.endsWith(".md") ? [`docs/${f}`] : []))];
const read = (page: string) => readFileSync(path.join(root, page), "utf8");
/** Where a path that a page names may begin: at the root, in the sources, in the core, or beside the page. */
const BASES = ["", "src", "src/core", "src/core/planner", "docs", "tests"];
const there = (named: string) => BASES.some((base) => existsSync(path.join(root, base, named)));

describe.each(PAGES)("%s", (page) => {
  test("names only files and folders that are there", () => {
    const named = [
      ...read(page).matchAll(
        /`((?:src|tests|docs|demo|library|bench|schema|core|ui|server|db|words|workers|planner|learn|verify|explain)\/[\w./*-]+)`/g,
      ),
    ]
      .map((m) => (m[1] as string).replace(/[*].*$/, "").replace(/\/$/, ""))
      // One of many, such as encode*.ts: its folder has to be there.
      .map((name) => (/\.\w+$/.test(name) || !name.includes("/") || there(name) ? name : path.dirname(name)));
    expect(named.filter((name) => !there(name))).toEqual([]);
  });
  test("names only commands that ./rondeau has", () => {
    const help = readFileSync(path.join(root, "rondeau"), "utf8");
    const commands = [...read(page).matchAll(/\.\/rondeau ([a-z][\w-]*)/g)].map((m) => m[1] as string);
    expect([...new Set(commands)].filter((c) => !new RegExp(`\\./rondeau [\\w|-]*\\b${c}\\b`).test(help))).toEqual([]);
  });
  test("links to pages and pictures that are there", () => {
    const links = [...read(page).matchAll(/\]\((?!https?:|#)([^)#\s]+)/g)].map((m) => m[1] as string);
    expect(links.filter((link) => !existsSync(path.join(root, path.dirname(page), link)))).toEqual([]);
  });
});
