/**
 * Nothing but this page's own files may become a script, and no text may become markup: the browser holds every library to it (Trusted
 * Types), where it can. Has to be imported before all else.
 */

interface TrustedTypes {
  createPolicy(name: string, rules: { createScriptURL: (url: string) => string }): unknown;
}

/** An address of our own. @throws TypeError for any other */
export function ownScript(url: string, origin = window.location.origin): string {
  if (new URL(url, window.location.href).origin !== origin) throw new TypeError(`Not a script of this page: ${url}`);
  return url;
}

(window as { trustedTypes?: TrustedTypes }).trustedTypes?.createPolicy("default", { createScriptURL: (url) => ownScript(url) });
