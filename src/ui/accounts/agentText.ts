const BROWSERS = [
  [/Edg\//, "Edge"],
  [/Firefox\//, "Firefox"],
  [/OPR\//, "Opera"],
  [/Chrom(e|ium)\//, "Chrome"],
  [/Safari\//, "Safari"],
] as const;
const SYSTEMS = [
  [/iPad/, "iPad"],
  [/iPhone/, "iPhone"],
  [/Android/, "Android"],
  [/Windows/, "Windows"],
  [/Mac OS X/, "Mac"],
  [/Linux/, "Linux"],
] as const;

/** What a browser calls itself, as a person would; its first words where it is none that is known. */
export function agentText(agent: string): string {
  const find = (list: readonly (readonly [RegExp, string])[]) => list.find(([pattern]) => pattern.test(agent))?.[1];
  const [browser, system] = [find(BROWSERS), find(SYSTEMS)];
  if (!browser) return agent.slice(0, 30);
  return system ? `${browser} on ${system}` : browser;
}
