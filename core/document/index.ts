export * from './bounds'
export * from './defaults'
export * from './fields'
export * from './after-others'
export * from './keys'
export * from './names'
export * from './applying'
export { PatchIndex, collisions } from './patch-index'
export * from './patches'
export * from './problem'
export * from './rules'
export * from './session'
export type {
  Batch, BatchFile, CardEntry, ClassDetails, ClassDocument, ColourwayEntry,
  CuttingEntry, DressingEntry, EnvelopeEntry, EveningEntry, FaceEntry,
  FreeEntry,
  GlueEntry,
  LabelsEntry,
  LayerEntry,
  LayoutEntry,
  BackEntry,
  OffcutEntry,
  PadSheetEntry,
  PaceEntry,
  PaperEntry, PictureEntry,
  PartEntry,
  PieceRef,
  PoolEntry,
  PostEntry,
  PricesEntry,
  PrepEntry, PrepPaceEntry, ProfileEntry,
  RateEntry, RuleEntry, SeatEntry, StepEntry,
  SettingsChange, SharingEntry, ShoppingEntry, MiscutEntry, SpoiledEntry, StockEntry,
  StudioSettings, SupplyEntry, ToolsEntry, TreeEntry, WishesEntry, WorkEntry,
} from './shapes'
export * from './version'
export * from './vocabulary'
