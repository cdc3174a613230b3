// Runs once when the server starts, never during the build.
export async function register() {
  if (process.env.NEXT_RUNTIME === "nodejs") await (await import("./server/boot")).boot();
}
