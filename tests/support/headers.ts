// Stands in for next/headers where pages are drawn without a server: the cookies of whoever asks.
export const asked = { cookies: new Map<string, string>(), language: "en-GB" };
export const cookies = async () => ({
  get: (name: string) => (asked.cookies.has(name) ? { name, value: asked.cookies.get(name) as string } : undefined),
});
export const headers = async () => new Headers({ "accept-language": asked.language });
