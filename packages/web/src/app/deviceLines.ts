/** Reads a device's event stream, one JSON object per line. Never throws: the way it ended is the result. */
export type DeviceEnd =
  | { readonly kind: 'end'; readonly batteryLow: boolean }
  | { readonly kind: 'lost'; readonly why: 'dropped' | 'silent' }
  | { readonly kind: 'stopped' }
  /** No device, or no server. */
  | { readonly kind: 'away'; readonly message: string };

export type DeviceEvent = { readonly type: string } & Readonly<Record<string, unknown>>;

/** `tell` gets every event except the end and the battery. */
export async function deviceLines(path: string, device: string, signal: AbortSignal, tell: (event: DeviceEvent) => void): Promise<DeviceEnd> {
  let batteryLow = false;
  let end: DeviceEnd | null = null;
  const hear = (text: string): void => {
    const event = JSON.parse(text) as DeviceEvent;
    if (event.type === 'battery-low') batteryLow = true;
    else if (event.type === 'end') end = { kind: 'end', batteryLow };
    else if (event.type === 'lost') end = { kind: 'lost', why: event['why'] === 'silent' ? 'silent' : 'dropped' };
    else tell(event);
  };
  try {
    const response = await fetch(`/api/devices/${path}`, { signal });
    if (!response.ok || !response.body) {
      const problem = (await response.json().catch(() => null)) as { message?: string; accepted?: string } | null;
      return { kind: 'away', message: `${problem?.message ?? `the ${device} does not answer`}${problem?.accepted ? `: ${problem.accepted}` : ''}` };
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
    // A stream that stops without an end means that the server went away.
    return end ?? { kind: 'lost', why: 'dropped' };
  } catch {
    return signal.aborted ? { kind: 'stopped' } : { kind: 'lost', why: 'dropped' };
  }
}
