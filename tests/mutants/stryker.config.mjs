// Texts and patterns are left out: what is said is tested where it is said.
export default {
  testRunner: "vitest",
  plugins: ["@stryker-mutator/vitest-runner"],
  mutate: (process.env.MUTANTS_OF ?? "").split(","),
  mutator: { excludedMutations: ["StringLiteral", "Regex"] },
  vitest: { configFile: "tests/mutants/vitest.config.ts", related: true },
  coverageAnalysis: "perTest",
  concurrency: Number(process.env.MUTANTS_AT_ONCE ?? 2),
  timeoutMS: 20_000,
  timeoutFactor: 3,
  reporters: ["clear-text", "json"],
  jsonReporter: { fileName: "test-results/mutants.json" },
  tempDirName: "test-results/mutants",
  ignorePatterns: ["docs", ".next", "test-results", ".data"],
  // TypeScript's own interface is not there in this version of the compiler; Vitest reads the paths.
  tsconfigFile: "no-tsconfig.json",
};
