export { CompiledDesign, programOf, hasTitle, type Drawable, type DrawnPage, type Fault } from './page'
export { compileLayout } from './compile'
export { type Program, draw } from './program'
export { type Shown, type ShownRegions } from './shown'
