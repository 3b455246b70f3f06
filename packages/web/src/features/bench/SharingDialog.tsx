/** Phones and tablets: the desk's address, a code for the next device, and the paired ones. */
import type { Problem } from '@keen/core';
import { Alert, Button, Dialog, DialogActions, DialogContent, DialogTitle } from '@mui/material';
import { toString as qrSvg } from 'qrcode';
import { useCallback, useEffect, useState } from 'react';
import { AWAY, request } from '../../app/api.ts';

interface Shared {
  readonly address: string | null;
  readonly code: string | null;
  readonly until: string | null;
  readonly devices: readonly { readonly id: string; readonly name: string; readonly pairedAt: string; readonly seenAt: string }[];
}

/** `path`: what a paired device opens, beside the code for an unpaired one. */
export function SharingDialog({ path, onClose }: { readonly path: string; readonly onClose: () => void }) {
  const [shared, setShared] = useState<Shared | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const ask = useCallback(async (address: string, method: 'GET' | 'POST' | 'DELETE' = 'GET'): Promise<void> => {
    try {
      const { status, body } = await request<Shared & Problem>(address, method);
      if (status < 400) {
        setShared(body);
        setProblem(null);
      } else setProblem(body);
    } catch {
      setProblem(AWAY);
    }
  }, []);
  // Now and periodically: a device that pairs meanwhile appears, and its code is used up.
  useEffect(() => {
    const first = setTimeout(() => void ask('sharing'));
    const timer = setInterval(() => void ask('sharing'), 3000);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [ask]);
  return (
    <Dialog open onClose={onClose} aria-labelledby="sharing-title">
      <DialogTitle id="sharing-title">Phones and tablets</DialogTitle>
      <DialogContent className="sharing">
        {problem && (
          <Alert severity="warning">
            {problem.message}. Accepted: {problem.accepted}
          </Alert>
        )}
        {shared && shared.address === null && (
          <p>
            This desk is reached on this machine alone. Ended and started again with <code>bin/start --share</code>, phones and tablets on the same network
            reach it too, each after it was paired.
          </p>
        )}
        {shared?.address && (
          <>
            <p>
              Paired devices open <b>{shared.address}</b>.
            </p>
            <div className="sharing-codes">
              <figure>
                <Qr text={`${shared.address}${path}`} label="Address of this page for a paired device" />
                <figcaption>this page, for a device that is paired</figcaption>
              </figure>
              {shared.code ? (
                <figure>
                  <Qr text={`${shared.address}/pair?code=${shared.code}`} label="Address and code for the next device" />
                  <figcaption>
                    to pair the next one: <b className="pair-code">{shared.code}</b>, until{' '}
                    {new Date(shared.until!).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}
                  </figcaption>
                </figure>
              ) : (
                <Button variant="contained" onClick={() => void ask('sharing/code', 'POST')}>
                  Show a code for the next device
                </Button>
              )}
            </div>
            <h3>Paired</h3>
            {shared.devices.length === 0 && <p className="quiet">None yet.</p>}
            <ul>
              {shared.devices.map(({ id, name, seenAt }) => (
                <li key={id}>
                  {name}, seen {new Date(seenAt).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })}{' '}
                  <Button size="small" onClick={() => void ask(`sharing/devices/${id}`, 'DELETE')}>
                    Forget it
                  </Button>
                </li>
              ))}
            </ul>
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

function Qr({ text, label }: { readonly text: string; readonly label: string }) {
  const [svg, setSvg] = useState('');
  useEffect(() => {
    let gone = false;
    void qrSvg(text, { type: 'svg', margin: 1, errorCorrectionLevel: 'M' }).then((made) => !gone && setSvg(made));
    return () => {
      gone = true;
    };
  }, [text]);
  return <img className="qr" alt={`${label}: ${text}`} src={svg === '' ? 'data:,' : `data:image/svg+xml;utf8,${encodeURIComponent(svg)}`} />;
}
