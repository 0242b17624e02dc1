import { ElButton, ElMessage } from 'element-plus';

/** Says that something is gone, and offers to have it again for some seconds. */
export function offerBringBack(text: string, putBack: () => Promise<void>): void {
  const message = ElMessage({
    message: () =>
      h('span', [
        `${text} `,
        h(ElButton, { onClick: () => void putBack().then(() => message.close()) }, () => 'Bring it back'),
      ]),
    duration: 12_000,
    showClose: true,
  });
}
