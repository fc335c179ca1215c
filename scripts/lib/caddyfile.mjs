/** What Caddy is told: https for names by certificates of the web's own authorities, or for addresses of a network by an authority of its own. */

/**
 * `names`: names or addresses; `internal`: whether Caddy is its own authority for them. Ports, and `storage`, the folder where it keeps its
 * keys and certificates. `to`: the server's own port.
 */
export function caddyfile({ names, internal, httpPort, httpsPort, storage, to }) {
  const sites = names.map((name) => `https://${name}${httpsPort === 443 ? '' : `:${httpsPort}`}`);
  return `{
	admin off
	storage file_system ${JSON.stringify(storage)}
	skip_install_trust
	${internal ? 'auto_https disable_redirects' : `http_port ${httpPort}`}
	https_port ${httpsPort}
	# What was begun is finished within this time.
	grace_period 10s
	log {
		level ERROR
	}
}

${sites.join(', ')} {
	${internal ? 'tls internal' : ''}
	# The server packs its answers and says how long each is kept; whoever asks is told to it, and what they claim of themselves is not.
	reverse_proxy 127.0.0.1:${to} {
		flush_interval -1
	}
}
`;
}
