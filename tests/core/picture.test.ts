import { parseDocument } from 'htmlparser2';
import { tasksOf } from '../../core/live';
import { stripPicture } from '../../core/write';
import { demoText, dinnerFile, planOf, read, step } from '../builders/dinner';

const COLOURS = {
  paper: '#fff',
  ink: '#000',
  soft: '#555',
  line: '#ccc',
  seat: '#eee',
  heat: '#e80',
  courses: ['#0f6a72', '#a33a1c', '#6a3a86'],
  several: '#666',
};

/** All text of a picture, and the corners of its boxes. */
function partsOf(svg: string) {
  const texts: string[] = [];
  const boxes: { x: number; y: number; width: number; height: number }[] = [];
  const walk = (
    node: ReturnType<typeof parseDocument> | ReturnType<typeof parseDocument>['children'][number],
  ) => {
    if ('name' in node && node.name === 'text')
      texts.push('children' in node ? node.children.map((c) => ('data' in c ? c.data : '')).join('') : '');
    if ('attribs' in node && node.name === 'rect') {
      const { x, y, width, height } = node.attribs;
      boxes.push({ x: Number(x), y: Number(y), width: Number(width), height: Number(height) });
    }
    if ('children' in node) node.children.forEach(walk);
  };
  walk(parseDocument(svg, { xmlMode: true }));
  return { texts, boxes };
}

test('the picture shows every task and every course, and nothing beyond its edges', () => {
  const dinner = read(JSON.parse(demoText('walnut-harvest')));
  const plan = planOf(dinner, 500);
  const { svg, width, height } = stripPicture(dinner, plan, COLOURS);
  const { texts, boxes } = partsOf(svg);
  const all = texts.join(' ');
  for (const task of tasksOf(dinner, plan)) expect(all).toContain(task.text.split(' ')[0]);
  for (const course of dinner.courses) expect(all).toContain(course.name);
  expect(boxes.length).toBeGreaterThan(60);
  for (const box of boxes) {
    expect(box.x + box.width).toBeLessThanOrEqual(width + 0.2);
    expect(box.y + box.height).toBeLessThanOrEqual(height + 0.2);
  }
});

test('what a dinner says is text in the picture and nothing else', () => {
  const dinner = read(
    dinnerFile([step('cook', 20, { does: 'Cook <script>alert("1")</script> & serve.' })], {
      title: '"A" <b>&',
    }),
  );
  const { svg } = stripPicture(dinner, planOf(dinner), COLOURS);
  expect(svg).not.toContain('<script');
  expect(svg).toContain('&lt;script&gt;');
  expect(svg).toContain('<title>&quot;A&quot; &lt;b&gt;&amp;</title>');
});
