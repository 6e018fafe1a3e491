import { Box, Heading } from '@chakra-ui/react';

/** What to do now, step by step, in the core's words. */
export function Steps({ heading, steps }: { heading: string; steps: string[] }) {
  return (
    <Box as="section" aria-label={heading} borderInlineStartWidth="4px" borderColor="stop" ps="4" my="4">
      <Heading as="h2" size="lg" color="stop">
        {heading}
      </Heading>
      <Box as="ol" listStyleType="decimal" ps="5" mt="1" fontSize="lg">
        {steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </Box>
    </Box>
  );
}
