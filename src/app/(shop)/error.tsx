'use client';

export { PageFault as default } from '@/components/shell/page-fault';
