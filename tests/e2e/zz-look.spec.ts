import { Server } from "./server";
import { test } from "./test";

test("look", async ({ browser }) => {
  const server = new Server(4399, "2026-11-25T19:00:00Z");
  await server.start();
  await server.settled("harvest-lunch");
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const shot = async (path: string, name: string, full = false) => {
    await page.goto(`${server.url}${path}`, { waitUntil: "networkidle" });
    await page.waitForTimeout(400);
    await page.screenshot({ path: `/tmp/look/${name}.png`, fullPage: full });
  };
  await shot("/", "home");
  await shot("/kitchen", "kitchen", true);
  await shot("/settings", "settings", true);
  await shot("/d/harvest-lunch/dish", "dish");
  await page.getByRole("button", { name: "Serve at: open calendar" }).click();
  await page.waitForTimeout(300);
  await page.screenshot({ path: "/tmp/look/calendar.png" });
  await page.setViewportSize({ width: 390, height: 844 });
  await shot("/", "home-phone");
  await server.stop();
});
