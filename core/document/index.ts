export * from './bounds'
export * from './defaults'
export * from './keys'
export * from './patches'
export * from './problem'
export * from './session'
export type {
  Batch, BatchFile, BoughtEntry, CardEntry, ClassDetails, ClassDocument, ColourwayEntry,
  CuttingEntry, DressingEntry, EnvelopeEntry, FaceEntry,
  FreeEntry, GlueEntry, LayerEntry, LayoutEntry, OffcutEntry, PaceEntry, PaperEntry, PieceRef, PoolEntry, PostEntry, PricesEntry,
  RateEntry, RuleEntry, SeatEntry, SettingsChange, SharingEntry, MiscutEntry, SpoiledEntry, StockEntry,
  StudioSettings, ToolsEntry, TreeEntry, WishesEntry,
} from './shapes'
export * from './version'
export * from './vocabulary'
