<?php

use WaryHeron\Core\Bibliography\Format\Mods\ModsReader;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Standins\Corpus\StudyWriter;
use WaryHeron\Standins\Service;
use WaryHeron\Standins\Sru\ModsText;

it('tells our reader everything that the stand-in knows of a study', function () {
    $alder = Service::named('alder');
    foreach (range(1, 60) as $number) {
        $study = (new StudyWriter())->study($number);
        $entry = $alder->entry($study, $number);
        $label = fn (int $heading): string => $alder->thesaurus()->labels[$heading];
        $headings = array_map(
            fn (int $heading): string => implode(' / ', [$label($heading), ...$entry['qualifiers'][$heading] ?? []]),
            $entry['headings'],
        );
        $row = [
            ...$entry,
            'headings' => array_map($label, $entry['headings']),
            'major' => array_map($label, $entry['major']),
            'qualifiers' => array_combine(array_map($label, array_keys($entry['qualifiers'])), $entry['qualifiers']),
        ];
        $document = new DOMDocument();
        $document->loadXML(ModsText::of($row, 'alder', 'Alder Index'));
        $read = (new ModsReader())->reference($document->documentElement);
        expect([
            $read->title,
            $read->abstract,
            $read->year,
            $read->journal,
            $read->journalShort,
            $read->issn,
            $read->volume,
            $read->issue,
            $read->firstPage,
            $read->lastPage,
            $read->doi,
            $read->keywords,
            $read->accession,
        ])->toBe([
            $study->title,
            $study->abstract,
            $study->year,
            $study->journal[0],
            $study->journal[1],
            $study->journal[2],
            $study->volume,
            $study->issue,
            $study->firstPage,
            $study->lastPage,
            $study->doi,
            $headings,
            $entry['identifier'],
        ]);
        expect($read->authors)->toEqual(array_map(fn (array $a): Name => new Name(...$a), $study->authors));
    }
});
