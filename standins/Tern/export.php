<?php

declare(strict_types=1);

// Writes what a person would download from Tern Abstracts on the demo's topic, as RIS of the earlier generation:
// php standins/Tern/export.php > database/demo/tern-abstracts.ris

use WaryHeron\Standins\Corpus\Chance;
use WaryHeron\Standins\Corpus\Study;
use WaryHeron\Standins\Corpus\StudyWriter;

require __DIR__.'/../../vendor/autoload.php';

$writer = new StudyWriter();
$chance = new Chance('tern');
$line = function (string $tag, string $value): void {
    if ($value !== '') {
        echo "{$tag}  - ".wordwrap($value, 180, "\n      ")."\n";
    }
};
$write = function (Study $study, int $number) use ($chance, $line): void {
    $line('TY', in_array('Conference abstract', $study->types, true) ? 'CONF' : 'JOUR');
    $line(
        'T1',
        $chance->is(0.12) ? mb_strtoupper($study->title) : ($chance->is(0.2) ? "{$study->title}." : $study->title),
    );
    foreach ($study->authors as [$family, $given]) {
        $line(
            'A1',
            "{$family}, ".
                implode('', array_map(fn (string $name): string => mb_substr($name, 0, 1).'.', explode(' ', $given))),
        );
    }
    $line('Y1', "{$study->year}///");
    $line('JF', $study->journal[0]);
    $line('VL', $study->volume);
    $line('IS', $study->issue);
    $line('SP', $study->firstPage);
    $line('EP', $study->lastPage);
    if ($study->doi !== '' && $chance->is(0.7)) {
        $line('DO', $chance->is(0.3) ? 'https://doi.org/'.strtoupper($study->doi) : $study->doi);
    }
    $line('N2', $study->abstract);
    foreach (array_slice($study->ideas, 0, 4) as $idea) {
        $line('KW', mb_strtolower($idea));
    }
    $line('SN', $study->journal[2]);
    $line('LA', mb_convert_case(substr($study->language, 0, 2), MB_CASE_LOWER));
    $line('AN', (string) (55000 + $number));
    echo "ER  - \n\n";
};

$written = 0;
for ($number = 1; $number <= 9000 && $written < 240; $number++) {
    $study = $writer->study($number);
    $text = mb_strtolower("{$study->title} {$study->abstract}");
    $onTopic =
        in_array($study->topic, ['night-light', 'naps-caffeine', 'shift-health'], true) &&
        str_contains($text, 'night') &&
        str_contains($text, 'light');
    // about half of what Alder has up to its 5,000th record, and some that it lacks
    $indexed = $number <= 5000 ? $chance->is(0.3) : $chance->is(0.45);
    if ($onTopic && $study->year >= 1994 && $indexed) {
        $write($study, ++$written);
    }
    if ($written === 77 && $onTopic && $indexed) {
        echo "TY  - JOUR\nA1  - Wojcik, P.\nY1  - 2011///\nJF  - Archives of Working Hours\nVL  - 33\nAN  - 55999\nER  - \n\n";
    }
}
