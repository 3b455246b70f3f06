/** Reads a scan as it streams in, a line of JSON for each event. Never throws: how it ended is the answer. */
export interface Sample {
  readonly at: number;
  readonly level: number;
}

export type ScanEnd =
  | { readonly kind: 'end'; readonly batteryLow: boolean }
  | { readonly kind: 'lost'; readonly why: 'dropped' | 'silent' }
  | { readonly kind: 'stopped' }
  /** No scanner, or no server. */
  | { readonly kind: 'away'; readonly message: string };

export async function readScan(line: { from: number; to: number; up: number }, signal: AbortSignal, tell: (sample: Sample) => void): Promise<ScanEnd> {
  let batteryLow = false;
  let end: ScanEnd | null = null;
  const hear = (text: string): void => {
    const event = JSON.parse(text) as { type: string; at?: number; level?: number; why?: 'dropped' | 'silent' };
    if (event.type === 'sample') tell({ at: event.at!, level: event.level! });
    if (event.type === 'battery-low') batteryLow = true;
    if (event.type === 'end') end = { kind: 'end', batteryLow };
    if (event.type === 'lost') end = { kind: 'lost', why: event.why ?? 'dropped' };
  };
  try {
    const response = await fetch(`/api/devices/scanner/scan?from=${line.from}&to=${line.to}&up=${line.up}`, { signal });
    if (!response.ok || !response.body) {
      const problem = (await response.json().catch(() => null)) as { message?: string; accepted?: string } | null;
      return { kind: 'away', message: `${problem?.message ?? 'the scanner does not answer'}${problem?.accepted ? `: ${problem.accepted}` : ''}` };
    }
    const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
    let rest = '';
    for (;;) {
      const { done, value } = await reader.read();
      if (done) break;
      const lines = (rest + value).split('\n');
      rest = lines.pop() ?? '';
      for (const text of lines) if (text !== '') hear(text);
    }
    // A stream that just stops means the server went away in the middle.
    return end ?? { kind: 'lost', why: 'dropped' };
  } catch {
    return signal.aborted ? { kind: 'stopped' } : { kind: 'lost', why: 'dropped' };
  }
}
