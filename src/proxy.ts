// The gate: only pages of this kitchen may speak to it. A foreign Host (a name pointed at this machine) or a foreign Origin
// (a page elsewhere that posts here) is refused; every answer carries a content security policy with a nonce of its own.
import { type NextRequest, NextResponse } from "next/server";

const OWN_HOSTS = new Set(["127.0.0.1", "localhost", "[::1]", ...(process.env.RONDEAU_HOST ?? "").split(",").filter(Boolean)]);

function hostName(host: string): string {
  return host.replace(/:\d+$/, "").toLowerCase();
}

/** Percent signs stand before two digits that are a character together. */
function isAddress(url: string): boolean {
  try {
    decodeURIComponent(new URL(url).pathname);
    return true;
  } catch {
    return false;
  }
}

export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get("host") ?? "";
  if (!OWN_HOSTS.has(hostName(host))) return new NextResponse("This kitchen answers only under its own name.\n", { status: 421 });
  if (!isAddress(request.url)) return NextResponse.json({ message: "The address is not written as addresses are." }, { status: 400 });
  const origin = request.headers.get("origin");
  if (origin !== null && origin !== `http://${host}` && origin !== `https://${host}`)
    return new NextResponse("A page of another site may not reach in here.\n", { status: 403 });
  const changes = request.method !== "GET" && request.method !== "HEAD";
  const site = request.headers.get("sec-fetch-site");
  if (changes && site !== null && site !== "same-origin" && site !== "none")
    return new NextResponse("A page of another site may not reach in here.\n", { status: 403 });

  const nonce = Buffer.from(crypto.randomUUID()).toString("base64");
  const dev = process.env.NODE_ENV === "development";
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${dev ? " 'unsafe-eval'" : ""}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    `connect-src 'self'${dev ? " ws:" : ""}`,
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");
  const headers = new Headers(request.headers);
  headers.set("x-nonce", nonce);
  headers.set("content-security-policy", policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set("content-security-policy", policy);
  response.headers.set("x-content-type-options", "nosniff");
  response.headers.set("referrer-policy", "no-referrer");
  response.headers.set("cross-origin-opener-policy", "same-origin");
  response.headers.set("cross-origin-resource-policy", "same-origin");
  response.headers.set("permissions-policy", "camera=(), microphone=(), geolocation=(), screen-wake-lock=(self)");
  return response;
}

export const config = { matcher: ["/((?!_next/static|icon.svg).*)"] };
