/**
 * Where a request came from. What a proxy says of that is believed of proxies that were named (`KATABASIS_PROXY`), and of no other: anybody
 * can write such headers.
 */
import { BlockList, isIP } from 'node:net';
import type { Context, Middleware } from 'koa';

export interface CameFrom {
  /** Address of who asks. */
  address: string;
  /** As the browser wrote it. */
  protocol: 'http' | 'https';
  host: string;
  /** Whether a proxy that was not named says that it asks for somebody else. */
  isForwarded: boolean;
}

/** What proxies say of whom they ask for. */
const FORWARDED =
  /^(forwarded|via|client-ip|true-client-ip|cf-.*|x-forwarded.*|x-real-ip|x-client-ip|x-cluster-client-ip|x-original-.*)$/;

/** IPv4 as it is written in IPv6, as itself. */
const plain = (address: string): string => address.replace(/^::ffff:(?=\d+\.)/i, '');
const kindOf = (address: string): 'ipv4' | 'ipv6' => (isIP(address) === 6 ? 'ipv6' : 'ipv4');

/** `127.0.0.1, 10.0.0.0/8, ::1` as a list to look addresses up in; throws, quoting it, on what is no address. */
export function proxiesFrom(text: string | undefined): BlockList {
  const list = new BlockList();
  for (const word of (text ?? '').split(/[\s,]+/).filter(Boolean)) {
    const [address, bits] = word.split('/');
    if (!isIP(address!) || (bits !== undefined && !/^\d{1,3}$/.test(bits)))
      throw new Error(`KATABASIS_PROXY lists addresses of proxies, and "${word}" is none.`);
    if (bits === undefined) list.addAddress(address!, kindOf(address!));
    else list.addSubnet(address!, Number(bits), kindOf(address!));
  }
  return list;
}

/** The last of a list in a header: what the nearest proxy wrote itself. */
const lastOf = (text: string): string => text.split(',').at(-1)!.trim();

function readFrom(ctx: Context, proxies: BlockList): CameFrom {
  const address = plain(ctx.req.socket.remoteAddress ?? '');
  const own: CameFrom = {
    address,
    protocol: 'http',
    host: ctx.get('host'),
    isForwarded: Object.keys(ctx.req.headers).some((name) => FORWARDED.test(name)),
  };
  if (!own.isForwarded || !isIP(address) || !proxies.check(address, kindOf(address))) return own;
  return {
    address: plain(lastOf(ctx.get('x-forwarded-for'))) || address,
    protocol: lastOf(ctx.get('x-forwarded-proto')) === 'https' ? 'https' : 'http',
    host: lastOf(ctx.get('x-forwarded-host')) || own.host,
    isForwarded: false,
  };
}

/** A year. */
const HSTS = 'max-age=31536000';

/** Looks once where a request came from; over https says that it is to stay so. */
export function cameFrom(proxies: BlockList): Middleware {
  return (ctx, next) => {
    const from = readFrom(ctx, proxies);
    ctx.state.from = from;
    if (from.protocol === 'https') ctx.set('Strict-Transport-Security', HSTS);
    return next();
  };
}

export const fromOf = (ctx: Context): CameFrom => ctx.state.from as CameFrom;
