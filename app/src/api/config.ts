/** What our server says about itself. Without a server the app works the same, with an empty book. */

export interface ServerConfig {
  readonly demo: boolean;
}

export async function fetchConfig(): Promise<ServerConfig> {
  try {
    const response = await fetch("/api/config");
    if (!response.ok) return { demo: false };
    const body: unknown = await response.json();
    return { demo: typeof body === "object" && body !== null && (body as { demo?: unknown }).demo === true };
  } catch {
    return { demo: false };
  }
}
