import { parse } from '@babel/parser'
import type { Expression, Node, Statement } from '@babel/types'

/** A number of the model as the source states it. */
export interface Line {
  readonly name: string
  readonly what: string
  readonly value: string
  readonly unit: string
  readonly source: string
  readonly file: string
}

/** The constants of one file that are made by `modelValue`, and the plain numbers that are made by nothing. */
export function readConstants(file: string, text: string): { lines: Line[]; bare: string[] } {
  const lines: Line[] = []
  const bare: string[] = []
  for (const statement of parse(text, { sourceType: 'module', plugins: ['typescript'] }).program.body) {
    const declared = statement.type === 'ExportNamedDeclaration' ? statement.declaration : statement
    if (declared?.type !== 'VariableDeclaration') continue
    for (const { id, init } of declared.declarations) {
      if (id.type !== 'Identifier' || !init) continue
      const made = init.type === 'CallExpression' && init.callee.type === 'Identifier' ? init.callee.name : null
      if (made === null && init.type === 'NumericLiteral') bare.push(`${file}: ${id.name}`)
      if (made !== 'modelValue' || init.type !== 'CallExpression' || init.arguments[0].type !== 'ObjectExpression') continue
      const fields = new Map(fieldsOf(init.arguments[0]))
      lines.push({
        name: id.name,
        what: commentAbove(statement),
        value: sayValue(fields.get('value') as Expression, text),
        unit: sayValue(fields.get('unit') as Expression, text),
        source: sayValue(fields.get('source') as Expression, text),
        file,
      })
    }
  }
  return { lines, bare }
}

function fieldsOf(expression: Expression): [string, Expression][] {
  if (expression.type !== 'ObjectExpression') return []
  return expression.properties.flatMap((field): [string, Expression][] => {
    const name = field.type === 'ObjectProperty' ? nameOfKey(field.key) : null
    return field.type === 'ObjectProperty' && name !== null ? [[name, field.value as Expression]] : []
  })
}

/** The name of a field, quoted or not; null for one that is worked out. */
const nameOfKey = (key: Node): string | null =>
  key.type === 'Identifier' ? key.name : key.type === 'StringLiteral' || key.type === 'NumericLiteral' ? String(key.value) : null

const commentAbove = ({ leadingComments }: Statement): string =>
  (leadingComments?.at(-1)?.value ?? '')
    .replace(/\n\s*\*/g, ' ')
    .replace(/^\*/, '')
    .trim()
    .replace(/\s+/g, ' ')

function sayValue(expression: Expression, text: string): string {
  switch (expression.type) {
    case 'StringLiteral':
      return expression.value
    case 'TSAsExpression':
      return sayValue(expression.expression, text)
    case 'ArrayExpression':
      return expression.elements.map((element) => sayValue(element as Expression, text)).join('; ')
    case 'ObjectExpression':
      return fieldsOf(expression)
        .map(([name, value]) => `${name} ${value.type === 'ObjectExpression' ? `(${sayValue(value, text)})` : sayValue(value, text)}`)
        .join(', ')
    default:
      return text.slice(expression.start ?? 0, expression.end ?? 0)
  }
}
