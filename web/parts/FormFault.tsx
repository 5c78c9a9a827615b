interface FormFaultProps {
  readonly fault: string | undefined;
  readonly className?: string;
}

/** Why what was pressed was not done; nothing while all is right. */
export function FormFault({ fault, className = 'text-sm' }: FormFaultProps) {
  if (fault === undefined) return null;
  return (
    <p role="alert" className={`font-semibold text-clay ${className}`}>
      ▲ {fault}
    </p>
  );
}
