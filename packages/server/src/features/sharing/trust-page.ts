/** The authority's certificate to be fetched, and in words what to do with it. Served over HTTPS to anybody: it is no secret. */
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { Request, Response } from 'express';

export function serveTrust(app: NestExpressApplication, certificate: string): void {
  app.use('/trust.crt', (_request: Request, response: Response) => {
    response.setHeader('Content-Type', 'application/x-x509-ca-cert');
    response.setHeader('Content-Disposition', 'attachment; filename="keen-carcass-desk.crt"');
    response.send(certificate);
  });
}
