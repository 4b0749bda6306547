// Flags of native screens, which a page has none of.
exports.initScreensFeatureFlags = () => undefined;
