<?php

declare(strict_types=1);

namespace WaryHeron\Core\Text;

/** Cuts an abstract at the labels that structured abstracts carry: "Methods:", "RESULTS:" and their kin. */
final class StructuredAbstract
{
    private const LABEL = '/(?:^|(?<=[.!?\]\)] )|(?<=\n))((?:background|objectives?|aims?|purpose|introduction|context|importance|rationale|hypothes[ie]s|materials?|methods?|design|setting|participants?|patients|population|interventions?|procedures?|measure(?:ment)?s|main outcomes?|outcomes|results?|findings?|observations?|conclusions?|discussion|interpretation|implications?|significance|limitations?|registration|funding)(?: \p{L}+){0,4}): (?=\p{Lu}|\d|“|")/ui';

    /** @return list<array{label: string, text: string}> in order; one part without a label where there are none */
    public static function parts(string $abstract): array
    {
        $abstract = trim($abstract);
        if ($abstract === '') {
            return [];
        }
        if (preg_match_all(self::LABEL, $abstract, $found, PREG_OFFSET_CAPTURE) < 2) {
            return array_map(
                fn (string $text): array => ['label' => '', 'text' => $text],
                preg_split('/\s*\n\s*\n\s*/u', $abstract) ?: [$abstract],
            );
        }
        $parts = [];
        $before = trim(substr($abstract, 0, $found[0][0][1]));
        if ($before !== '') {
            $parts[] = ['label' => '', 'text' => $before];
        }
        foreach ($found[0] as $i => [$whole, $offset]) {
            $start = $offset + strlen($whole);
            $end = $found[0][$i + 1][1] ?? strlen($abstract);
            $label = $found[1][$i][0];
            $parts[] = [
                'label' => mb_strtoupper($label) === $label ? mb_convert_case($label, MB_CASE_TITLE) : $label,
                'text' => trim(substr($abstract, $start, $end - $start)),
            ];
        }

        return $parts;
    }
}
