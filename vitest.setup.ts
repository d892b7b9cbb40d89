import fc from 'fast-check'

// the same cases on every machine: a run that fails can be run again
fc.configureGlobal({ seed: 20261125 })
