<?php

use WaryHeron\Core\Bibliography\Cited\CitedList;
use WaryHeron\Core\Bibliography\Cited\CitedWork;

it('tells the title, the year and the DOI of a reference in whatever style', function (string $line, ?int $year, string $doi = '') {
    $read = CitedWork::read($line);
    expect([$read?->title, $read?->year, $read?->doi])->toBe(['Dim lamps in wards: a trial of sleep', $year, $doi]);
})->with([
    'a title alone' => ['Dim lamps in wards: a trial of sleep', null],
    'a title with a stop' => ['  Dim lamps in wards: a trial of sleep.  ', null],
    'a title and a DOI' => ['Dim lamps in wards: a trial of sleep. doi: 10.71111/Abc.', null, '10.71111/abc'],
    'a title and an address' => ['Dim lamps in wards: a trial of sleep https://doi.org/10.71111/abc', null, '10.71111/abc'],
    'numbered' => ['12. Dim lamps in wards: a trial of sleep', null],
    'in brackets' => ['[3] Dim lamps in wards: a trial of sleep', null],
    'a bullet' => ['• Dim lamps in wards: a trial of sleep', null],
    'of medicine' => ['Kolbe A, Haas M. Dim lamps in wards: a trial of sleep. J Night Sleep. 2004;3(2):12-9.', 2004],
    'of medicine, with others' => ['Kolbe AB, Haas M, et al. Dim lamps in wards: a trial of sleep. J Night Sleep. 2004;3:12-9.', 2004],
    'of medicine, a DOI behind' => [
        '4. van der Berg A, Haas-Ito M. Dim lamps in wards: a trial of sleep. J Sleep 2004;3:1. doi:10.71111/abc',
        2004,
        '10.71111/abc',
    ],
    'of psychology' => [
        'Kolbe, A. B., & Haas, M. (2004). Dim lamps in wards: a trial of sleep. Journal of Sleep, 3(2), 12–19.',
        2004,
    ],
    'of psychology, a day' => ['Kolbe, A. (2004, March 3). Dim lamps in wards: a trial of sleep. Journal of Sleep, 3, 12.', 2004],
    'of psychology, many' => [
        'Kolbe, A., Haas, M., Ito, K., … Ude, M. (2004a). Dim lamps in wards: a trial of sleep. Journal of Sleep, 3, 12.',
        2004,
    ],
    'of a university' => ['Kolbe, A. and Haas, M., 2004. Dim lamps in wards: a trial of sleep. Journal of Sleep, 3, pp. 12-19.', 2004],
    'of the humanities' => ['Kolbe, Anna. “Dim lamps in wards: a trial of sleep.” Journal of Sleep 3 (2004): 12–19.', 2004],
    'of engineers' => ['A. Kolbe and M. Haas, "Dim lamps in wards: a trial of sleep," J. Sleep, vol. 3, pp. 12-19, 2004.', 2004],
]);

it('keeps what belongs to a title', function (string $line, string $title) {
    expect(CitedWork::read($line)?->title)->toBe($title);
})->with([
    'a question' => [
        'Kolbe A, Haas M. Do dim lamps in wards help? A trial. J Sleep. 2004;3:12-9.',
        'Do dim lamps in wards help? A trial',
    ],
    'a year of its own' => ['Sleep in wards 1998 to 2004: what lamps did', 'Sleep in wards 1998 to 2004: what lamps did'],
    'a number at its beginning' => ['2004 lamps in forty wards of the night', '2004 lamps in forty wards of the night'],
    'words in quotation marks at its beginning' => ['“Dim the lamps please”: nurses on sleep', '“Dim the lamps please”: nurses on sleep'],
    'no authors before the year' => ['Lamps of the wards (2004) and what they did', 'Lamps of the wards (2004) and what they did'],
    'a DOI alone' => ['https://doi.org/10.71111/abc', ''],
]);

it('takes references that go over lines apart by their numbers', function () {
    $text = "1. Kolbe A, Haas M. Dim lamps in\nwards: a trial of sleep. J Sleep.\n2004;3:12-9.\n2. Ito K. Visors for nurses of the night. J Sleep.\n2005;4:1.\n";
    expect(array_map(fn (CitedWork $one): string => "{$one->title} {$one->year}", CitedList::works($text)))->toBe([
        'Dim lamps in wards: a trial of sleep 2004',
        'Visors for nurses of the night 2005',
    ]);
});

it('leaves out what is too little to find a work by', function () {
    expect(CitedList::works("References\n\n10.71111/abc\nLamps\n\xC3"))->toHaveCount(1)->and(CitedWork::read(''))->toBeNull();
});

it('ends soon on what no one wrote', function () {
    foreach (['Kolbe A, ', 'K. ', '“', '(2004) ', '10.1234/', 'a'] as $piece) {
        CitedList::works(str_repeat($piece, 4000));
    }
})->throwsNoExceptions();
