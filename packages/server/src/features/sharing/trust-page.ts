/** The authority's certificate, for a phone to fetch and trust. Served over HTTPS to anybody: it is no secret. */
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { Express, Request, Response } from 'express';

export function serveTrust(app: NestExpressApplication, certificate: string): void {
  const express = app.getHttpAdapter().getInstance() as Express;
  express.get('/trust.crt', (_request: Request, response: Response) => {
    response.setHeader('Content-Type', 'application/x-x509-ca-cert');
    response.setHeader('Content-Disposition', 'attachment; filename="keen-carcass-desk.crt"');
    response.send(certificate);
  });
}
