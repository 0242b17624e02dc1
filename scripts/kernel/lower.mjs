// Turns a file of the core's search into the part of the language that the WebAssembly compiler knows: whole numbers for
// `number`, no destructuring, no for-of, no marks for the type checker. What it means stays the same.
import { posix } from 'node:path';
import ts from 'typescript';

const { factory: f, SyntaxKind: Kind } = ts;
const FUNCTIONS = { 'Math.max': 'max', 'Math.min': 'min' };
/** Rows of numbers lie where they are pointed at, their length before them, so an element is one step away, not two. */
const ROWS = { Int32Array: 'i32', Float64Array: 'f64', Uint8Array: 'u8' };

/** The text of a TypeScript file, lowered. */
export function lower(text, name) {
  const source = ts.createSourceFile(name, text, ts.ScriptTarget.ES2022, true);
  const { transformed } = ts.transform(source, [lowering]);
  const lowered = ts.createPrinter({ removeComments: true }).printFile(transformed[0]);
  return lowered.includes('copyRow(') ? `import { copyRow } from '${rowsFrom(name)}';\n${lowered}` : lowered;
}

/** Where a file finds what the kernel knows of rows. */
function rowsFrom(name) {
  const path = posix.relative(posix.dirname(name), 'model/rows');
  return path.startsWith('.') ? path : `./${path}`;
}

function lowering(context) {
  let names = 0;
  const fresh = () => f.createIdentifier(`_${(names += 1)}`);
  const each = (node) => ts.visitEachChild(node, visit, context);
  const constant = (name, init) => f.createVariableDeclaration(name, undefined, undefined, init);
  const constants = (list) =>
    f.createVariableStatement(undefined, f.createVariableDeclarationList(list, ts.NodeFlags.Const));
  const rowOf = (element) => [f.createTypeReferenceNode(element)];
  const unchecked = (node) => f.createCallExpression(f.createIdentifier('unchecked'), undefined, [node]);

  /** One declaration for each name that is taken out of `value`, which may be evaluated often. */
  const takenApart = (pattern, value) =>
    pattern.elements.map(({ name, propertyName }) =>
      constant(name, f.createPropertyAccessExpression(value, propertyName ?? name)),
    );

  const declarations = (list) =>
    list.flatMap((declaration) => {
      if (!ts.isObjectBindingPattern(declaration.name)) return [visit(declaration)];
      const value = visit(declaration.initializer);
      const isPlain = ts.isIdentifier(value) || value.kind === Kind.ThisKeyword;
      if (isPlain) return takenApart(declaration.name, value);
      const whole = fresh();
      return [constant(whole, value), ...takenApart(declaration.name, whole)];
    });

  const forOf = (node) => {
    const list = fresh();
    const index = fresh();
    const { name } = node.initializer.declarations[0];
    const item = unchecked(f.createElementAccessExpression(list, index));
    const isPattern = ts.isObjectBindingPattern(name);
    const whole = isPattern ? fresh() : name;
    const first = constants([constant(whole, item), ...(isPattern ? takenApart(name, whole) : [])]);
    const body = visit(node.statement);
    return f.createBlock([
      constants([constant(list, visit(node.expression))]),
      f.createForStatement(
        f.createVariableDeclarationList([constant(index, f.createNumericLiteral(0))], ts.NodeFlags.Let),
        f.createLessThan(index, f.createPropertyAccessExpression(list, 'length')),
        f.createPostfixIncrement(index),
        f.createBlock([first, ...(ts.isBlock(body) ? body.statements : [body])]),
      ),
    ]);
  };

  /** The place of an element, its parts lowered, which is read or written without a look at the bounds. */
  const place = (node) =>
    f.createElementAccessExpression(visit(bare(node).expression), visit(bare(node).argumentExpression));

  const calls = (node) => {
    const callee = node.expression.getText();
    if (callee === 'Math.imul')
      return f.createParenthesizedExpression(f.createMultiply(...node.arguments.map(visit)));
    if (ts.isPropertyAccessExpression(node.expression) && node.expression.name.text === 'set')
      return f.createCallExpression(f.createIdentifier('copyRow'), undefined, [
        visit(node.expression.expression),
        ...node.arguments.map(visit),
      ]);
    const builtin = FUNCTIONS[callee];
    if (builtin === undefined) return each(node);
    return node.arguments
      .map(visit)
      .reduce((a, b) => f.createCallExpression(f.createIdentifier(builtin), undefined, [a, b]));
  };

  const rowType = (name) => f.createTypeReferenceNode('StaticArray', rowOf(ROWS[name]));

  const fieldType = (init) => {
    if (ts.isNewExpression(init)) {
      const name = init.expression.getText();
      return ROWS[name] ? rowType(name) : f.createTypeReferenceNode(name);
    }
    const isFlag = init.kind === Kind.TrueKeyword || init.kind === Kind.FalseKeyword;
    return f.createTypeReferenceNode(isFlag ? 'bool' : 'i32');
  };

  const visit = (node) => {
    if (ts.isNonNullExpression(node)) return visit(node.expression);
    if (node.kind === Kind.NumberKeyword) return f.createTypeReferenceNode('i32');
    if (ts.isTypeOperatorNode(node))
      return f.createTypeReferenceNode('StaticArray', [visit(node.type.elementType)]);
    if (ts.isImportSpecifier(node) || ts.isExportSpecifier(node)) return withoutType(node);
    if (ts.isImportDeclaration(node)) return imports(node);
    if (ts.isVariableStatement(node))
      return f.createVariableStatement(
        node.modifiers,
        f.createVariableDeclarationList(
          declarations(node.declarationList.declarations),
          node.declarationList.flags & ts.NodeFlags.BlockScoped,
        ),
      );
    if (ts.isTypeReferenceNode(node) && ROWS[node.typeName.getText()])
      return rowType(node.typeName.getText());
    if (ts.isNewExpression(node) && ROWS[node.expression.getText()])
      return f.createNewExpression(
        f.createIdentifier('StaticArray'),
        rowOf(ROWS[node.expression.getText()]),
        node.arguments.map(visit),
      );
    if (ts.isForOfStatement(node)) return forOf(node);
    if (ts.isCallExpression(node)) return calls(node);
    if (ts.isBinaryExpression(node) && isAssignment(node) && isElement(node.left))
      return unchecked(f.createBinaryExpression(place(node.left), node.operatorToken, visit(node.right)));
    if (ts.isPostfixUnaryExpression(node) && isElement(node.operand))
      return unchecked(f.createPostfixUnaryExpression(place(node.operand), node.operator));
    if (ts.isElementAccessExpression(node)) return unchecked(place(node));
    if (ts.isPropertyDeclaration(node) && !node.type && node.initializer)
      return f.createPropertyDeclaration(
        node.modifiers,
        node.name,
        undefined,
        fieldType(node.initializer),
        visit(node.initializer),
      );
    if (ts.isParameter(node) && !node.type && node.initializer)
      return f.createParameterDeclaration(
        node.modifiers,
        undefined,
        node.name,
        undefined,
        fieldType(node.initializer),
        visit(node.initializer),
      );
    return each(node);
  };

  const withoutType = (node) =>
    ts.isImportSpecifier(node)
      ? f.createImportSpecifier(false, node.propertyName, node.name)
      : f.createExportSpecifier(false, node.propertyName, node.name);

  /** `f64` is a type of the kernel's own. */
  const imports = (node) => {
    const kept = node.importClause.namedBindings.elements.filter(({ name }) => name.text !== 'f64');
    if (kept.length === 0) return undefined;
    return f.createImportDeclaration(
      undefined,
      f.createImportClause(undefined, undefined, f.createNamedImports(kept.map(withoutType))),
      node.moduleSpecifier,
    );
  };

  return (source) => ts.visitEachChild(source, visit, context);
}

/** The expression below marks that only the type checker reads. */
function bare(node) {
  return ts.isNonNullExpression(node) ? bare(node.expression) : node;
}

function isElement(node) {
  return ts.isElementAccessExpression(bare(node));
}

function isAssignment(node) {
  const { kind } = node.operatorToken;
  return kind >= Kind.FirstAssignment && kind <= Kind.LastAssignment;
}
