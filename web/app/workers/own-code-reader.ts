import { prepareZXingModule } from 'zxing-wasm/reader';
import wasmUrl from 'zxing-wasm/reader/zxing_reader.wasm';

// Our own copy: without this it would be fetched from outside.
void prepareZXingModule({ overrides: { locateFile: () => new URL(wasmUrl, location.href).href } });
