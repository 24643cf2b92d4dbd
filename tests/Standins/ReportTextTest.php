<?php

use WaryHeron\Standins\Corpus\PeopleTold;
use WaryHeron\Standins\Corpus\StudyWriter;
use WaryHeron\Standins\Locker\ReportText;
use WaryHeron\Standins\Service;

it('counts the people whom an abstract tells of', function (string $abstract, string $people) {
    expect(PeopleTold::count($abstract))->toBe($people);
})->with([
    'in figures' => ['Methods: A total of 140 nurses were randomised to lamps for twelve weeks.', '140'],
    'of thousands' => ['We observed 1,240 nurses.', '1,240'],
    'after wards' => ['Twenty-six units were allocated to lamps; 214 junior doctors took part.', '214'],
    'beside a level' => ['All midwives (72 people) took part under lamps of 2,500 lux.', '72'],
    'in words' => ['Forty-four nurses were randomised to lamps.', '44'],
    'in one word' => ['Light acts within minutes. Nine participants received visors, ten nights apart.', '9'],
    'after an hour' => ['Alertness at 04:00 was rated; 48 staff were observed.', '48'],
    'none' => ['Lamps were randomised for twelve weeks.', ''],
]);

it('prints as many people in a report’s table as its abstract tells of', function () {
    $alder = Service::named('alder');
    $told = 0;
    foreach (range(1, 80) as $number) {
        $entry = $alder->entry((new StudyWriter())->study($number), $number);
        $people = (int) str_replace(',', '', PeopleTold::count($entry['abstract']));
        $paragraphs = array_column((new ReportText($entry, "10.5555/{$number}"))->paragraphs(), 1);
        $row = array_values(preg_grep('/^People analysed\t/', $paragraphs) ?: []);
        if ($people > 1 && $row !== []) {
            $told++;
            expect(array_sum(array_slice(explode("\t", $row[0]), 1)))->toBe($people);
        }
    }
    expect($told)->toBeGreaterThan(10);
});
