import { present } from '@brachytone/core';
import '../app.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { ProofPage } from './proof-page.tsx';

createRoot(present(document.getElementById('root'), 'element for the page')).render(
  <StrictMode>
    <ProofPage />
  </StrictMode>,
);
