const start = require('./startDatabase.cjs');

module.exports = async () => start.stop();
