// In place of native screens, which a web page has none of: only the switches that the router sets at its start.
exports.featureFlags = { experiment: {} };
exports.compatibilityFlags = {};
