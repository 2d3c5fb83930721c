// Hands Jest the source with all its changes in place of the file (scripts/mutation.mjs), and everything else as it is.
const { createHash } = require('node:crypto');
const { readFileSync } = require('node:fs');
const { join } = require('node:path');
const swc = require('@swc/jest');

const mutated = JSON.parse(readFileSync(join(__dirname, '../../reports/mutated.json'), 'utf8'));

module.exports = {
  createTransformer(options) {
    const plain = swc.createTransformer(options);
    const given = (source, path) => mutated[path] ?? source;
    return {
      canInstrument: false,
      getCacheKey: (source, path, more) =>
        createHash('sha256')
          .update(given(source, path))
          .update(path)
          .update(JSON.stringify(more.transformerConfig))
          .digest('hex'),
      process: (source, path, more) => plain.process(given(source, path), path, more),
    };
  },
};
