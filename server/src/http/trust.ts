/**
 * The root of the authority that makes this network's certificates, and a page that says how a phone takes it, once. Only where there is
 * one. What is given out is its certificate, which is everybody's to read; its key stays where Caddy keeps it.
 */
import { readFileSync } from 'node:fs';
import type { Middleware } from 'koa';
import { page } from '../shares/page';

const STEPS = `
<h1>Keep Katabasis on this phone</h1>
<p>By plain http a browser keeps no application for use without signal. By https it does, once the phone knows who made this server’s certificate. That is done once, and it concerns this server alone: its certificate was made on its own machine.</p>
<p><a href="/root.crt"><b>Take the certificate</b></a></p>
<h2>iPhone, iPad</h2><ol><li>Open this page in the browser that came with it and take the certificate. It says that a profile was loaded.</li><li>Settings, General, VPN &amp; Device Management: install the profile.</li><li>Settings, General, About, Certificate Trust Settings: switch it on.</li></ol>
<h2>Android</h2><ol><li>Take the certificate.</li><li>Settings, Security, More security settings, Install from storage, CA certificate: choose the file. The words differ from phone to phone; search the settings for “CA certificate”.</li></ol>
<h2>Computer</h2><ol><li>Take the certificate and open it.</li><li>Put it among the trusted roots: of the login keychain on a Mac, “always trust”; of the current user on Windows, “Trusted Root Certification Authorities”; on Linux in the browser’s own settings, under Certificates, Authorities.</li></ol>
<h2>Then</h2><p>Open the https address that stands under Devices on the office’s screen, and put it on the home screen.</p>
<p>To take it back, remove the profile or the certificate in the same place.</p>`;

/** `file`: the certificate, as Caddy writes it. */
export const trust =
  (file: string): Middleware =>
  async (ctx, next) => {
    if (ctx.method !== 'GET' && ctx.method !== 'HEAD') return next();
    if (ctx.path === '/trust') {
      ctx.set('Cache-Control', 'no-cache');
      ctx.type = 'html';
      ctx.body = page('Keep Katabasis on this phone', STEPS);
      return;
    }
    if (ctx.path !== '/root.crt') return next();
    try {
      ctx.body = readFileSync(file);
    } catch {
      // Caddy makes it at its first start, a moment after this.
      return next();
    }
    ctx.set('Cache-Control', 'no-cache');
    ctx.type = 'application/x-x509-ca-cert';
    ctx.set('Content-Disposition', 'attachment; filename="katabasis-root.crt"');
  };
