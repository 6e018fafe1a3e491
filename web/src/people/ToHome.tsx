import { Navigate } from 'react-router';

/** A keeper's dog has its card on the first page. */
export const ToHome = () => <Navigate to="/" replace />;
