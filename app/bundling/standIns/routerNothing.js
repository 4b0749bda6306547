// A part of the router that this app does not use: a list of all routes, headers of native screens.
const Nothing = () => null;
module.exports = { Sitemap: Nothing, getNavOptions: () => ({}) };
