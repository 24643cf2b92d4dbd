<?php

use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;
use WaryHeron\Core\Matching\Field\AbstractAgreement;
use WaryHeron\Core\Matching\Field\AuthorComparator;
use WaryHeron\Core\Matching\Field\DoiAgreement;
use WaryHeron\Core\Matching\Field\IssueAgreement;
use WaryHeron\Core\Matching\Field\JaroWinkler;
use WaryHeron\Core\Matching\Field\JournalComparator;
use WaryHeron\Core\Matching\Field\PagesAgreement;
use WaryHeron\Core\Matching\Field\PageSpan;
use WaryHeron\Core\Matching\Field\Slips;
use WaryHeron\Core\Matching\Field\TitleComparator;
use WaryHeron\Core\Matching\Field\VolumeAgreement;
use WaryHeron\Core\Matching\Field\YearAgreement;
use WaryHeron\Core\Matching\Fingerprint;
use WaryHeron\Core\Matching\Fingerprints;

/** @param  array<string, mixed>  $values */
function fingerprint(array $values, string $key = 'a'): Fingerprint
{
    $reference = new Reference(PublicationType::Article, 'Lamps of the ward', [], null);

    return (new Fingerprints())->of($reference->with($values), $key);
}

/** @return list<Name> of “Okafor, I; Haas” */
function people(string $listed): array
{
    return array_map(
        fn (string $one): Name => new Name(...array_pad(explode(', ', $one), 2, '')),
        $listed === '' ? [] : explode('; ', $listed),
    );
}

it('tells slips of the pen from other words', function (string $a, string $b, bool $isSlip) {
    expect([Slips::near($a, $b), Slips::near($b, $a)])->toBe([$isSlip, $isSlip]);
})->with([
    'the same' => ['lamps', 'lamps', true],
    'the same, short' => ['bed', 'bed', false],
    'one letter of four' => ['lamp', 'lomp', true],
    'one letter of three' => ['bed', 'bad', false],
    'two letters of seven' => ['nursing', 'mursimg', false],
    'two letters of seven that changed places' => ['nursing', 'nursign', true],
    'two letters of eight' => ['sleeping', 'slaepimg', true],
    'three letters of eleven' => ['wakefulness', 'vakafulmess', false],
    'a letter more' => ['lamps', 'llamps', true],
    'two letters more' => ['daylight', 'daylighted', true],
    'three letters more' => ['daylight', 'daylightens', false],
    'two less of seven' => ['lampion', 'lampi', false],
    'a number' => ['ward12', 'ward13', false],
    'a number that is the same' => ['ward12', 'ward12', true],
    'the opposite' => ['hypotonia', 'hypertonia', false],
    'the opposite by what is put before' => ['stable', 'unstable', false],
    'within and between' => ['intraday', 'interday', false],
    'pre and post' => ['predawn', 'postdawn', false],
    'adduct and abduct' => ['adduct', 'abduct', false],
    'micro and macro' => ['microlamp', 'macrolamp', false],
    'afferent and efferent' => ['afferent', 'efferent', false],
    'men and women' => ['men', 'women', false],
    'male and female' => ['male', 'female', false],
    'two long words of one run' => [str_repeat('lamp', 62), str_repeat('lamp', 62).'s', true],
    'a letter more than three' => ['lamp', 'lam', true],
    'a number in one of them' => ['lampsl', 'lamps1', false],
    'what stands before a single letter' => ['microx', 'macrox', true],
    'what stands before two letters' => ['microxy', 'macroxy', false],
    'as long as is compared' => [str_repeat('lamps', 50), str_repeat('lamps', 50), true],
    'one letter longer' => [str_repeat('lamps', 50).'s', str_repeat('lamps', 50).'s', false],
    'longer than is compared' => [str_repeat('lamp', 63), str_repeat('lamp', 62).'lams', false],
]);

it('compares whole titles by the share of edits, and only with the same numbers', function (string $a, string $b, bool $isAlike) {
    expect([Slips::alike($a, $b), Slips::alike($b, $a)])->toBe([$isAlike, $isAlike]);
})->with([
    'blanks apart' => ['bright lamps at night', 'brightlamps atnight', true],
    'one letter of thirteen' => ['lamps of wards 1', 'lamps of wands 1', true],
    'one letter of twelve' => ['lamps of wards', 'lamps of wands', false],
    'two of twenty-three' => ['lamps of wards by the nights', 'lumps of wards by the lights', false],
    'two of twenty-five' => ['lamps of wards by the nights in', 'lumps of wards by the lights in', true],
    'a letter more than twelve' => ['lamps of wards', 'lamps of wardsx', true],
    'two letters more than twenty-three' => ['lamps of wards by the nights', 'lamps of wards by the nights in', true],
    'of 250 letters, by edits' => [str_repeat('lamps', 50), 'lumps'.str_repeat('lamps', 49), true],
    'of 250 and 251, by their beginning' => [str_repeat('lamps', 50), 'lumps'.str_repeat('lamps', 49).'s', false],
    'of 251, by their beginning' => [str_repeat('lamps', 50).'s', 'lumps'.str_repeat('lamps', 49).'s', false],
    'another number' => ['lamps of wards by night 2', 'lamps of wards by night 3', false],
    'a number elsewhere' => ['lamps 2 of wards by night', 'lamps of wards by night 2', false],
    'long, and alike at first' => [str_repeat('lamps ', 60), str_repeat('lamps ', 60).'wards', true],
    'long, and not alike at first' => [str_repeat('lamps ', 60), 'lumps '.str_repeat('lamps ', 59), false],
]);

it('measures how alike two strings are', function (string $a, string $b, float $similarity) {
    expect(round(JaroWinkler::similarity($a, $b), 4))->toBe($similarity)
        ->and(round(JaroWinkler::similarity($b, $a), 4))->toBe($similarity);
})->with([
    // worked by hand: m/|a|, m/|b| and (m - t)/m, a third of their sum, then a tenth for each common letter of four
    'a pair that changed places' => ['martha', 'marhta', 0.9611],
    'letters far apart' => ['dwayne', 'duane', 0.84],
    'a name that goes on' => ['dixon', 'dicksonx', 0.8133],
    'the same' => ['lamp', 'lamp', 1.0],
    'nothing in common' => ['lamp', 'word', 0.0],
    'an empty one' => ['', 'lamp', 0.0],
    'both empty' => ['', '', 1.0],
    'one letter' => ['a', 'b', 0.0],
    'too far from each other' => ['abcdefgh', 'hxxxxxxx', 0.0],
    'two that changed places' => ['ab', 'ba', 0.0],
    'two of three that changed places' => ['abc', 'bac', 0.5556],
    'two pairs that changed places' => ['abcd', 'badc', 0.8333],
    'a letter that moved by two' => ['abcdef', 'cabdef', 0.9167],
    'a letter that moved too far' => ['abcdef', 'bcdefa', 0.8889],
    'more than four in common' => ['lampshade', 'lampshads', 0.9556],
]);

it('grades years', function (?int $a, ?int $b, YearAgreement $agreement) {
    expect(YearAgreement::between($a, $b))->toBe($agreement)->and(YearAgreement::between($b, $a))->toBe($agreement);
})->with([
    [2016, 2016, YearAgreement::Same],
    [2016, 2017, YearAgreement::OneApart],
    [2016, 2018, YearAgreement::YearsApart],
    [null, 2018, YearAgreement::Unknown],
    [null, null, YearAgreement::Unknown],
]);

it('grades DOIs, issues, volumes and pages', function (array $a, array $b, UnitEnum $agreement) {
    $of = fn (Fingerprint $one, Fingerprint $other): UnitEnum => match ($agreement::class) {
        PagesAgreement::class => PagesAgreement::between($one->pages, $other->pages),
        default => $agreement::between($one, $other),
    };
    [$one, $other] = [fingerprint($a), fingerprint($b, 'b')];
    expect($of($one, $other))->toBe($agreement)->and($of($other, $one))->toBe($agreement);
})->with([
    'no DOI' => [['doi' => '10.71111/lamps.2016.04'], [], DoiAgreement::Unknown],
    'the same DOI, otherwise written' => [
        ['doi' => '10.71111/Lamps.2016'],
        ['doi' => 'https://doi.org/10.71111/lamps.2016'],
        DoiAgreement::Same,
    ],
    'a DOI of a link' => [['doi' => '10.71111/lamps.2016'], ['urls' => ['https://doi.org/10.71111/lamps.2016']], DoiAgreement::Same],
    'another DOI of a link says nothing' => [
        ['doi' => '10.71111/lamps.2016'],
        ['urls' => ['https://doi.org/10.72222/wards.88']],
        DoiAgreement::Unknown,
    ],
    'another DOI of a note says nothing' => [
        ['doi' => '10.71111/lamps.2016'],
        ['extra' => [new SourceField('N1', 'see 10.72222/wards.88')]],
        DoiAgreement::Unknown,
    ],
    'a DOI that is cut' => [['doi' => '10.71111/lamps.2016'], ['doi' => '10.71111/lam'], DoiAgreement::NearlySame],
    'a DOI that is cut too short' => [['doi' => '10.71111/lamps.2016'], ['doi' => '10.71111/la'], DoiAgreement::Different],
    'a supplement’s' => [['doi' => '10.71111/lamps.2016'], ['doi' => '10.71111/lamps.2016.s001'], DoiAgreement::Different],
    'a version’s' => [['doi' => '10.71111/lamps.2016'], ['doi' => '10.71111/lamps.2016/v2'], DoiAgreement::Different],
    'one sign of fourteen' => [['doi' => '10.71111/lamps'], ['doi' => '10.71111/lumps'], DoiAgreement::NearlySame],
    'one sign of thirteen' => [['doi' => '10.71111/lamp'], ['doi' => '10.71111/lump'], DoiAgreement::Different],
    'two signs' => [['doi' => '10.71111/lamps.2016'], ['doi' => '10.71111/lumps.2017'], DoiAgreement::Different],
    'no issue' => [['issue' => '3'], [], IssueAgreement::Unknown],
    'the same issue' => [['issue' => 'No. 3'], ['issue' => '03'], IssueAgreement::Same],
    'a supplement as an issue' => [['issue' => 'Suppl 3'], ['issue' => 'S3'], IssueAgreement::Same],
    'two issues in one' => [['issue' => '4/5'], ['issue' => '4-5'], IssueAgreement::Same],
    'another issue' => [['issue' => '3'], ['issue' => '4'], IssueAgreement::Different],
    'no volume' => [['volume' => '12'], ['issue' => '12'], VolumeAgreement::Unknown],
    'the same volume' => [['volume' => 'Vol. 12'], ['volume' => '12'], VolumeAgreement::Same],
    'volume and issue exchanged' => [
        ['volume' => '12', 'issue' => '3'],
        ['volume' => '3', 'issue' => '12'],
        VolumeAgreement::Exchanged,
    ],
    'the issue as the volume, and no other' => [['volume' => '12', 'issue' => '3'], ['volume' => '3'], VolumeAgreement::Exchanged],
    'the issue as the volume, and another' => [
        ['volume' => '12', 'issue' => '3'],
        ['volume' => '3', 'issue' => '7'],
        VolumeAgreement::Different,
    ],
    'one digit of two' => [['volume' => '12'], ['volume' => '13'], VolumeAgreement::NearlySame],
    'one digit of one' => [['volume' => '2'], ['volume' => '3'], VolumeAgreement::Different],
    'digits the other way round' => [['volume' => '21'], ['volume' => '12'], VolumeAgreement::NearlySame],
    'a digit more' => [['volume' => '12'], ['volume' => '112'], VolumeAgreement::Different],
    'two digits of three' => [['volume' => '123'], ['volume' => '145'], VolumeAgreement::Different],
    'no page' => [['firstPage' => '426'], [], PagesAgreement::Unknown],
    'the first page alone' => [['firstPage' => '426', 'lastPage' => '433'], ['firstPage' => '426'], PagesAgreement::Same],
    'another end' => [
        ['firstPage' => '426', 'lastPage' => '433'],
        ['firstPage' => '426', 'lastPage' => '434'],
        PagesAgreement::NearlySame,
    ],
    'another beginning' => [
        ['firstPage' => '426', 'lastPage' => '433'],
        ['firstPage' => '425', 'lastPage' => '433'],
        PagesAgreement::NearlySame,
    ],
    'digits that changed places' => [['firstPage' => '426'], ['firstPage' => '462'], PagesAgreement::NearlySame],
    'digits of two that changed places' => [['firstPage' => '26'], ['firstPage' => '62'], PagesAgreement::Different],
    'the same digits in a circle' => [['firstPage' => '4567'], ['firstPage' => '6745'], PagesAgreement::Different],
    'other pages' => [
        ['firstPage' => '426', 'lastPage' => '433'],
        ['firstPage' => '14', 'lastPage' => '19'],
        PagesAgreement::Different,
    ],
    'of a supplement and of none' => [['firstPage' => 'S12'], ['firstPage' => '12'], PagesAgreement::Same],
    'of two kinds' => [['firstPage' => 'S12'], ['firstPage' => 'A12'], PagesAgreement::Different],
    'an article’s number beside pages' => [['firstPage' => 'e0452'], ['firstPage' => '14', 'lastPage' => '19'], PagesAgreement::Unknown],
    'pages within an article' => [
        ['firstPage' => '1', 'lastPage' => '9'],
        ['firstPage' => '426', 'lastPage' => '433'],
        PagesAgreement::Unknown,
    ],
    'a first page of 1 alone' => [['firstPage' => '1'], ['firstPage' => '426'], PagesAgreement::Different],
]);

it('knows pages that are counted within an article', function () {
    expect(PageSpan::of('1', '9')->isWithin())->toBeTrue()
        ->and(PageSpan::of('1')->isWithin())->toBeFalse()
        ->and(PageSpan::of('2', '9')->isWithin())->toBeFalse();
});

it('grades abstracts by the sentences they share', function (array $a, array $b, AbstractAgreement $agreement) {
    expect(AbstractAgreement::between($a, $b))->toBe($agreement)->and(AbstractAgreement::between($b, $a))->toBe($agreement);
})->with([
    'one sentence' => [[1], [1, 2, 3], AbstractAgreement::Unknown],
    'two of two' => [[1, 2], [1, 2, 3, 4], AbstractAgreement::Same],
    'three of five' => [[1, 2, 3, 4, 5], [1, 2, 3, 6, 7], AbstractAgreement::Same],
    'one of two' => [[1, 2], [1, 3], AbstractAgreement::PartlySame],
    'one of four' => [[1, 2, 3, 4], [1, 5, 6, 7], AbstractAgreement::PartlySame],
    'one of five' => [[1, 2, 3, 4, 5], [1, 6, 7, 8, 9], AbstractAgreement::Different],
    'none' => [[1, 2], [3, 4], AbstractAgreement::Different],
]);

it('grades authors', function (string $a, string $b, string $agreement) {
    [$one, $other] = [fingerprint(['authors' => people($a)]), fingerprint(['authors' => people($b)], 'b')];
    $compare = new AuthorComparator();
    expect($compare->compare($one, $other)->name)->toBe($agreement)
        ->and($compare->compare($other, $one)->name)->toBe($agreement);
})->with([
    'none' => ['', 'Okafor, Ines', 'Unknown'],
    'one and the same' => ['Okafor, Ines', 'Okafor, I', 'Same'],
    'one, of a list cut short' => ['Okafor, Ines; et al', 'Okafor, Ines', 'FirstSame'],
    'the first of two' => ['Okafor, Ines', 'Okafor, I; Haas, M', 'FirstSame'],
    'two of two' => ['Okafor, Ines; Haas, M', 'Haas, Mette; Okafor, I', 'Same'],
    'three of four' => ['Okafor, I; Haas, M; Lind, P; Vero, S', 'Okafor, I; Haas, M; Lind, P; Brask, T', 'Same'],
    'two of four' => ['Okafor, I; Haas, M; Lind, P; Vero, S', 'Okafor, I; Haas, M; Dorn, P; Brask, T', 'SomeSame'],
    'one of two' => ['Okafor, I; Haas, M', 'Okafor, I; Brask, T', 'SomeSame'],
    'nobody' => ['Okafor, Ines', 'Brask, Tove', 'NoneSame'],
    'another of the name' => ['Okafor, Ines', 'Okafor, Paul', 'NoneSame'],
    'no initials' => ['Okafor', 'Okafor, Paul', 'Same'],
    'initials within the name' => ['Okafor IM', 'Okafor, Ines', 'Same'],
    'one initial in common' => ['Okafor, Ines Maria', 'Okafor, Maria', 'Same'],
    'the last word of a name' => ['van der Okafor, Ines', 'Okafor, Ines', 'Same'],
    'two names with a dash' => ['Haas-Okafor, Ines', 'Okafor, I', 'Same'],
    'an umlaut written out' => ['Mueller, Tom', 'Müller, T', 'Same'],
    'a letter of five' => ['Brask, Tove', 'Brosk, Tove', 'Same'],
    'a letter of four' => ['Lind, Tove', 'Lynd, Tove', 'NoneSame'],
    'two letters of a long name' => ['Konstantinopolsky, Tove', 'Konstantinopolskij, Tove', 'Same'],
    'three letters of a shorter one' => ['Andersonova, Tove', 'Andersonovite, Tove', 'NoneSame'],
    'an ending of four letters' => ['Rosenlind, Tove', 'Lind, Tove', 'Same'],
    'a beginning of four letters' => ['Lindrosen, Tove', 'Lind, Tove', 'NoneSame'],
    'a short last word' => ['Haas-Nau, Tove', 'Lind-Nau, Tove', 'Same'],
    'a family name that is the other’s given name, without initials' => ['Ines', 'Okafor, Ines', 'NoneSame'],
    'given names of one side only' => ['Ines, Okafor', 'Okafor, Xenia', 'NoneSame'],
    'given names as family names, in a longer list' => ['Ines, Okafor; Brask, Tove', 'Okafor, Ines', 'Unknown'],
    'an ending of three letters' => ['Rosenau, Tove', 'Nau, Tove', 'NoneSame'],
    'given names as family names' => ['Ines, Okafor; Mette, Haas', 'Okafor, Ines; Haas, Mette', 'Unknown'],
    'the first of them only' => ['Ines, Okafor; Brask, Tove', 'Okafor, Ines; Lind, Palle', 'NoneSame'],
]);

it('grades names of journals', function (string $a, string $b, string $agreement) {
    [$one, $other] = [fingerprint(['journal' => $a]), fingerprint(['journal' => $b], 'b')];
    $compare = new JournalComparator();
    foreach ([1, 2] as $time) { // the second time it is remembered
        expect($compare->compare($one, $other)->name)->toBe($agreement)
            ->and($compare->compare($other, $one)->name)->toBe($agreement);
    }
})->with([
    'none' => ['', 'Nocturnal Medicine', 'Unknown'],
    'the same' => ['Nocturnal Medicine', 'nocturnal medicine', 'Same'],
    'small words apart' => ['The Journal of Nocturnal Medicine', 'Journal Nocturnal Medicine', 'Same'],
    'shortened' => ['Journal of Nocturnal Medicine', 'J Noct Med', 'Same'],
    'letters left out' => ['Annals of the Department of Lamps', 'Ann Dept Lamps', 'Same'],
    'mistyped' => ['Nocturnal Medicine', 'Nocturnel Medicine', 'Same'],
    'letters left out of a long word' => ['Natl Lamps', 'National Lamps', 'Same'],
    'all but three letters left out' => ['Ntl Lamps', 'National Lamps', 'Same'],
    'all but two letters left out' => ['Nl Lamps', 'National Lamps', 'Different'],
    'another last letter' => ['Natr Lamps', 'National Lamps', 'Different'],
    'another first letter' => ['Xatl Lamps', 'National Lamps', 'Different'],
    'letters in another order' => ['Nlal Lamps', 'National Lamps', 'Different'],
    'two letters left out of five' => ['Wds Lamps', 'Wards Lamps', 'Same'],
    'one letter left out of four' => ['Wrd Lamps', 'Ward Lamps', 'Different'],
    'one letter left out of five' => ['Wrds Lamps', 'Wards Lamps', 'Same'],
    'a single letter' => ['J Lamps', 'Journal Lamps', 'Same'],
    'initials of more words than they are' => ['JNM', 'Journal of Nocturnal Medicine Reports', 'OneHoldsOther'],
    'mistyped, in words of three letters' => ['Bed Studies', 'Bad Studies', 'Different'],
    'an entity' => ['Lamps &amp; Wards', 'Lamps & Wards', 'Same'],
    'one word more' => ['Nocturnal Medicine', 'Nocturnal Medicine Reports', 'OneHoldsOther'],
    'initials' => ['JNM', 'Journal of Nocturnal Medicine', 'OneHoldsOther'],
    'two initials' => ['NM', 'Nocturnal Medicine', 'Different'],
    'initials of others' => ['JNX', 'Journal of Nocturnal Medicine', 'Different'],
    'words that are run together' => ['Nocturnal Medicine', 'NocturnalMedicine', 'OneHoldsOther'],
    'words that are run together before others' => ['Nocturnal Medicine Annals', 'NocturnalMedicine Annals', 'Same'],
    'another' => ['Nocturnal Medicine', 'Ward Studies', 'Different'],
    'the same beginning' => ['Nocturnal Medicine', 'Nocturnal Studies', 'Different'],
]);

it('takes the best of a journal’s names', function () {
    $one = fingerprint(['journal' => 'Ward Studies', 'journalShort' => 'J Noct Med']);
    $other = fingerprint(['journal' => 'Journal of Nocturnal Medicine', 'journalShort' => 'Bed Rep'], 'b');
    expect((new JournalComparator())->compare($one, $other)->name)->toBe('Same');
});

it('grades titles', function (string $a, string $b, string $agreement) {
    [$one, $other] = [fingerprint(['title' => $a]), fingerprint(['title' => $b], 'b')];
    $compare = new TitleComparator();
    expect($compare->compare($one, $other)->name)->toBe($agreement)
        ->and($compare->compare($other, $one)->name)->toBe($agreement);
})->with([
    'none' => ['', 'Lamps of the ward', 'Unknown'],
    'the same' => ['Lamps of the ward', 'LAMPS OF THE WARD.', 'Same'],
    'otherwise parted' => ['Night time lamps', 'Nighttime lamps', 'Same'],
    'spelling habits' => ['Colour of haemal lamps', 'Color of hemal lamps', 'Same'],
    'numbers in words' => ['Two lamps of three wards', '2 lamps of 3 wards', 'Same'],
    'a slip' => ['Bright lamps of quiet wards at night', 'Bright lamps of qiuet wards at night', 'Respelt'],
    'words in another order' => ['Lamps and beds of wards', 'Beds and lamps of wards', 'Respelt'],
    'a small word' => ['Lamps of the wards at night', 'Lamps of wards at night', 'Respelt'],
    'one word for two' => ['Sleep of nurses by bedside lamps', 'Sleep of nurses by bed side lamps', 'Same'],
    'one word for two, with a slip elsewhere' => [
        'Sleep of nurses by bedside lamps at night',
        'Sleep of nurses by bed side lamps at nigth',
        'Respelt',
    ],
    'four slips' => [
        'Nurses wake early after quiet shifts without naps lamps wards bedside sleeping',
        'Nurses wake early after quiet shifts without naps lamqs warqs bedsyde sleepyng',
        'Respelt',
    ],
    'five slips' => [
        'Nurses wake early after quiet shifts without naps lamps wards bedside sleeping daylight',
        'Nurses wake early after quiet shifts without naps lamqs warqs bedsyde sleepyng daylyght',
        'WordsDiffer',
    ],
    'one word for two, among slips' => [
        'Nurses wake early after shifts without naps by quiet bedside lamps waking',
        'Nurses wake early after shifts without naps by qiuet bed side lapms wakign',
        'Respelt',
    ],
    'one word for two that are not it' => [
        'Nurses wake early after shifts without naps by quiet bedside lamps waking',
        'Nurses wake early after shifts without naps by qiuet bed time lapms wakign',
        'WordsDiffer',
    ],
    'a word twice' => ['Lamps and lamps of wards', 'Lamps and beds of wards', 'WordsDiffer'],
    'one long word, two letters of 23' => ['Kindergartenworkerslamp', 'Kindergartenworkersbump', 'Respelt'],
    'one long word, two letters of 24' => ['Kindergartenworkerslamps', 'Kindergartenworkersbumps', 'Different'],
    'two words and what follows' => ['Lamps wards', 'Lamps wards beds naps', 'WithoutSubtitle'],
    'without its subtitle' => ['Lamps of the ward', 'Lamps of the ward: a crossover trial', 'WithoutSubtitle'],
    'a first word alone' => ['Lamps', 'Lamps of the ward: a crossover trial', 'WordsAdded'],
    'words put before' => ['Lamps of the ward', 'Older bright lamps of the ward', 'WordsAdded'],
    'another word' => ['Lamps of quiet wards at night and naps', 'Lamps of noisy wards at night and naps', 'WordsDiffer'],
    'another number' => ['Lamps of ward 12 at night and sleep', 'Lamps of ward 13 at night and sleep', 'WordsDiffer'],
    'the opposite' => ['Lamps of stable wards at night and sleep', 'Lamps of unstable wards at night and sleep', 'WordsDiffer'],
    'half of the words' => ['Lamps wards beds naps', 'Lamps wards bulbs cots', 'Different'],
    'another' => ['Lamps of the ward', 'Naps and alertness', 'Different'],
    'short and mistyped' => ['Editorials', 'Editoriels', 'Respelt'],
    'short, with a number' => ['Editorial1', 'Editorial2', 'Different'],
    'in brackets beside the original' => ['[Lamps of the ward]', 'Lampen auf der Station', 'Unknown'],
    'two in brackets' => ['[Lamps of the ward]', '[Naps and alertness]', 'Different'],
    'with the original in brackets' => [
        'Lamps of the quiet ward [Lampen auf der stillen Station]',
        'Lampen auf der stillen Station',
        'Translated',
    ],
]);

it('knows a title by the original that stands beside it', function () {
    $one = fingerprint(['title' => 'Lamps of the ward', 'extra' => [new SourceField('TT', 'Lampen auf der Station')]]);
    $other = fingerprint(['title' => 'Lampen auf der Station'], 'b');
    $elsewhere = fingerprint(['title' => 'Lamps of the ward', 'extra' => [new SourceField('N1', 'Lampen auf der Station')]]);
    expect((new TitleComparator())->compare($one, $other)->name)->toBe('Translated')
        ->and((new TitleComparator())->compare($elsewhere, $other)->name)->toBe('Different');
});
