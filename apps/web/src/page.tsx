import { present } from '@brachytone/core';
import './app.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { App } from './app.tsx';
import { saySlowKernels } from './engine/failures.ts';
import { startAutosave } from './store/autosave.ts';
import { store } from './store/store.ts';

startAutosave();
void saySlowKernels();

createRoot(present(document.getElementById('root'), 'element for the page')).render(
  <StrictMode>
    <Provider store={store}>
      <App />
    </Provider>
  </StrictMode>,
);
