import { TestEnvironment } from 'jest-environment-jsdom';

/** A page without a browser, with what every browser has and the page's stand-in lacks. */
export default class DomEnvironment extends TestEnvironment {
  async setup() {
    await super.setup();
    const { global: page } = this;
    page.structuredClone ??= structuredClone;
    page.TextEncoder ??= TextEncoder;
    page.TextDecoder ??= TextDecoder;
    page.setImmediate ??= setImmediate;
    page.clearImmediate ??= clearImmediate;
    page.Blob.prototype.arrayBuffer ??= function () {
      return new Promise((done, fail) => {
        const reader = new page.FileReader();
        reader.onload = () => done(reader.result);
        reader.onerror = () => fail(reader.error);
        reader.readAsArrayBuffer(this);
      });
    };
    page.ResizeObserver ??= class {
      observe() {}
      unobserve() {}
      disconnect() {}
    };
    page.matchMedia ??= () => ({
      matches: false,
      addEventListener() {},
      removeEventListener() {},
    });
    page.Element.prototype.scrollIntoView ??= () => undefined;
  }
}
