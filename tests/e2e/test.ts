// The browser tests' own page: it is ready when React has taken over all that is on it. What is typed or pressed earlier is heard by nobody.
import AxeBuilder from "@axe-core/playwright";
import { test as base, type Locator, type Page } from "@playwright/test";

export { expect, type Page } from "@playwright/test";

/**
 * Waits until every control of the page has its handlers, and until what listens to the whole window has been told to: that comes a
 * frame later. A page without controls, such as a file, is ready at once.
 */
async function ready(page: Page): Promise<void> {
  await page.waitForFunction(() =>
    [...document.querySelectorAll("header button, header a, main button, main input, main select, main textarea, main a")].every((e) =>
      Object.keys(e).some((key) => key.startsWith("__reactProps$")),
    ),
  );
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done)))));
}

export const test = base.extend({
  page: async ({ page }, use) => {
    const [goto, reload] = [page.goto.bind(page), page.reload.bind(page)];
    page.goto = async (...where) => {
      const answer = await goto(...where);
      await ready(page);
      return answer;
    };
    page.reload = async (...how) => {
      const answer = await reload(...how);
      await ready(page);
      return answer;
    };
    await use(page);
  },
});

/** Takes a choice out of a list that opens, by its text. */
export async function choose(list: Locator, option: string | RegExp): Promise<void> {
  await list.click();
  await list
    .page()
    .getByRole("option", { name: option, exact: typeof option === "string" })
    .click();
}

const MOST_NODES = 3;

/**
 * What axe finds on a page as it is shown, a line for each rule: none is right. Only what is wrong is worked out, in the page itself.
 * @param rules these alone
 */
export async function axeFaults(page: Page, rules?: string[]): Promise<string[]> {
  const axe = new AxeBuilder({ page }).options({ resultTypes: ["violations"] }).setLegacyMode();
  const { violations } = await (rules ? axe.withRules(rules) : axe).analyze();
  const nodes = (v: (typeof violations)[number]) => v.nodes.slice(0, MOST_NODES).map((n) => n.html.slice(0, 160));
  return violations.map((v) => `${v.id}: ${nodes(v).join(" | ")}`);
}
