import { Barometer1790500000000 } from './barometer'
import { BoardAndEvidence1790100000000 } from './boardAndEvidence'
import { Instruments1790400000000 } from './instruments'
import { BoardIndexes1790900000000 } from './boardIndexes'
import { BoardOrders1791000000000 } from './boardOrders'
import { FirstTables1790000000000 } from './firstTables'
import { TheLog1790700000000 } from './theLog'
import { WhatTheWorkIs1790300000000 } from './whatTheWorkIs'
import { NothingLost1790200000000 } from './nothingLost'
import { Passkeys1790800000000 } from './passkeys'
import { People1790600000000 } from './people'
import { UnreadableJobs1791100000000 } from './unreadableJobs'

/** Every step of the tables, oldest first. One that has landed is never edited. */
export const migrations = [
  FirstTables1790000000000,
  BoardAndEvidence1790100000000,
  NothingLost1790200000000,
  WhatTheWorkIs1790300000000,
  Instruments1790400000000,
  Barometer1790500000000,
  People1790600000000,
  TheLog1790700000000,
  Passkeys1790800000000,
  BoardIndexes1790900000000,
  BoardOrders1791000000000,
  UnreadableJobs1791100000000,
]
