import fc from 'fast-check'

// Properties are tried with one seed, so that a run says the same on every machine;
// PROPERTY_SEED=random looks further afield.
const { PROPERTY_SEED } = process.env
const seed = PROPERTY_SEED === 'random' ? Date.now() : Number(PROPERTY_SEED ?? 20261125)
fc.configureGlobal({ ...fc.readConfigureGlobal(), seed })
