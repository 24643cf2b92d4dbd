<?php

use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Browser;
use Tests\Browser\Server;
use WaryHeron\Standins\Locker\PlainPdf;

it('carries a review from its question to a coded table, with two people', function () {
    Server::fresh();
    Server::addPerson('Ines Okafor', 'ines@heron.example');
    $ines = Browser::open()->signIn('ines@heron.example', 'a long password');

    // question and criteria
    $ines
        ->sees('You are in no review yet')
        ->press('Start a review')
        ->fill('Short title', 'Lamps at night')
        ->fill('Question', 'Do lamps help?')
        ->press('Start the review');
    $ines
        ->sees('No criteria yet')
        ->fill('Population', 'Hospital staff')
        ->press('Save the question')
        ->sees('The question is saved');
    $ines
        ->fill('New criterion', 'Are they hospital staff?')
        ->fill('Short reason', 'Not hospital staff')
        ->press('Add the criterion')
        ->sees('1 criterion');
    $ines
        ->fill('New criterion', 'Is light given?')
        ->fill('Short reason', 'No light')
        ->press('Add the criterion')
        ->sees('2 criteria');

    // a second person comes in by the letter in the post room
    $ines
        ->press('Team')
        ->fill('E-mail address', 'tunde@heron.example')
        ->press('Send the invitation')
        ->sees('An invitation is on its way');
    $tunde = Browser::open()
        ->visit('/post-room')
        ->press('Invitation to the review')
        ->press('/invitations/')
        ->fill('Your name', 'Tunde Adeyinka')
        ->fill('Choose a password', 'a long password')
        ->fill('The same again', 'a long password')
        ->press('Accept the invitation')
        ->sees('Welcome to the team');

    // search: one box a concept, counts on the board, a look at the records, then the run and the fetch
    $ines
        ->press('Searches')
        ->press('New strategy')
        ->fill('Name', 'Lamps')
        ->tick('Tern Abstracts')
        ->tick('Fen Register');
    $ines
        ->fill('Synonyms of concept 1', 'title:visor*')
        ->fill('Synonyms of concept 2', "night*\nshift work")
        ->press('Build the board')
        ->sees('1 AND 2');
    $ines->until(
        fn (): bool => str_contains($ines->text(), 'Saved. Last: Filled the board'),
        'The numbers did not come',
    );
    $ines->press('Run and fetch')->press('In Alder Index')->sees('newest first');
    expect(Server::rows('SELECT count(*) AS n FROM records')[0]['n'])->toBe(0);
    $ines
        ->press('Runs')
        ->tick('fetch all records')
        ->press('Run version 1')
        ->until(fn (): bool => str_contains($ines->visit($ines->path())->text(), 'done'), 'The fetch did not end');
    $fetched = (int) Server::rows('SELECT kept FROM deliveries')[0]['kept'];
    expect($fetched)->toBeGreaterThan(2);

    // upload: one duplicate of what was fetched, one new, one rejected; and the same file once more
    $known = json_decode(
        Server::rows('SELECT reference FROM records WHERE doi_key IS NOT NULL ORDER BY position LIMIT 1')[0][
            'reference'
        ],
        true,
    );
    $file = sys_get_temp_dir().'/hand-search.ris';
    file_put_contents(
        $file,
        "TY  - JOUR\nTI  - {$known['title']}\nDO  - {$known['doi']}\nER  - \nTY  - JOUR\nTI  - =A lamp from a drawer\nAU  - Strand, B\nPY  - 2012\nAB  - Found by hand.\nER  - \nTY  - JOUR\nPY  - 1811\nER  - \n",
    );
    $ines
        ->press('Records')
        ->press('Deliveries')
        ->attach('Drop files', $file)
        ->fill('Source', 'Hand search')
        ->press('Deliver');
    $ines->until(fn (): bool => str_contains($ines->text(), 'has no title'), 'The rejected record is not shown');
    $ines->sees('Line 11');
    $ines
        ->press('Deliveries')
        ->attach('Drop files', $file)
        ->fill('Source', 'Hand search again')
        ->press('Deliver')
        ->sees('This file was delivered on')
        ->sees('See that delivery');
    $publications = (int) Server::rows('SELECT count(*) AS n FROM publications')[0]['n'];
    expect($publications)->toBe($fetched + 1);

    // screening by keyboard: Ines includes all; Tunde excludes the first, is unsure of the second, undoes and includes,
    // includes the rest
    $ines->press('Screening')->press('Go to the Reading Desk');
    $later = $ines->heading();
    $ines->keys('l')->until(fn (): bool => $ines->heading() !== $later, 'The item was not left for later'); // it comes round at the end
    for ($i = 0; $i < $publications; $i++) {
        $ines->until(fn (): bool => $ines->heading() !== '', 'The item left for later did not come round');
        $title = $ines->heading();
        $ines
            ->keys('f')
            ->until(fn (): bool => $ines->heading() !== $title, "The next item did not come after “{$title}”");
    }
    $ines->sees('Nothing is left for you to judge here');
    $tunde->press('Screening')->press('Go to the Reading Desk')->sees('not judged by me');
    $first = $tunde->heading();
    $tunde
        ->keys('h')
        ->sees('Which criterion fails?')
        ->keys('2')
        ->until(fn (): bool => $tunde->heading() !== $first, 'The exclusion did not show the next');
    $second = $tunde->heading();
    $tunde->seesNot('Ines Okafor: include');
    for ($i = 1; $i < $publications; $i++) {
        $tunde->until(fn (): bool => $tunde->heading() !== '', 'The next items did not come');
        $title = $tunde->heading();
        $tunde
            ->keys('f')
            ->until(fn (): bool => $tunde->heading() !== $title, "The next item did not come after “{$title}”");
    }
    $tunde->until(
        fn (): bool => (int) Server::rows(
            "SELECT count(*) AS n FROM items WHERE state NOT IN ('waiting', 'awaited')",
        )[0]['n'] === $publications,
        'Not all items have opened',
    );

    // both sides, Talk, and the end of the disagreement
    $tunde
        ->visit('/')
        ->press('disagreement')
        ->sees('Ines Okafor: include')
        ->sees('Tunde Adeyinka: exclude, No light')
        ->fill('Message', 'No lamp in it.')
        ->press('Write')
        ->sees('No lamp in it.');
    $tunde->tick('Include')->press('Propose')->sees('Your proposal stands');
    $ines
        ->visit('/')
        ->press('disagreement')
        ->sees('No lamp in it.')
        ->sees('Tunde Adeyinka proposes to include')
        ->press('Settle')
        ->sees('Settled: included');

    // full texts: one is dropped and found by its title, the others are on paper; what is at hand is read and judged
    // again
    $pdf = sys_get_temp_dir().'/heron-'.getmypid().'.pdf';
    file_put_contents(
        $pdf,
        PlainPdf::of([
            [16, '=A lamp from a drawer'],
            [11, 'B Strand'],
            [10, 'Found by hand, and printed in full.'],
            [12, 'References'],
            [10, '1. Kolbe A, Haldor P. Drawers and what they hold at night. Ward Stud. 2009;4:33-41.'],
        ]),
    );
    $ines
        ->press('Full texts')
        ->sees("{$publications} sought")
        ->attach('PDFs', $pdf)
        ->sees('(found by its title)')
        ->sees('1 obtained');
    $ines
        ->tick('Tick all')
        ->keys('o')
        ->fill('Where it is kept', 'on the shelf')
        ->keys(WebDriverKeys::ENTER)
        ->until(
            fn (): bool => (int) Server::rows("SELECT count(*) AS n FROM retrievals WHERE state = 'obtained'")[0][
                'n'
            ] === $publications,
            'Not all texts are obtained',
        );
    foreach ([$ines, $tunde] as $who) {
        $who->visit($ines->path())->press('Read in full');
        for ($i = 0; $i < $publications; $i++) {
            $who->until(fn (): bool => $who->heading() !== '', 'The next text did not come');
            $title = $who->heading();
            if (str_contains($title, 'from a drawer')) {
                $who->until(
                    fn (): bool => $who->driver->executeScript(
                        'return (document.querySelector(".pdf-page .textLayer") || {}).textContent || ""',
                    ) !== '',
                    'The PDF is not drawn',
                );
                $who->keys('p')->sees('Found by hand.');
            }
            $who->keys('f')->until(
                fn (): bool => $who->heading() !== $title,
                "The next text did not come after “{$title}”",
            );
        }
    }
    unlink($pdf);
    $ines->until(
        fn (): bool => (int) Server::rows(
            "SELECT count(*) AS n FROM items JOIN stages ON stages.id = items.stage_id WHERE purpose = 'full-text' AND state = 'included'",
        )[0]['n'] === $publications,
        'Not all texts are included',
    );

    // codebook and coding
    $ines
        ->press('Coding')
        ->press('Codebook')
        ->fill('Item', 'Light level')
        ->choose('Answer', 'number')
        ->fill('Unit', 'lux')
        ->press('Add to the codebook')
        ->sees('Added to the codebook');
    $ines
        ->fill('Item', 'Design')
        ->choose('Answer', 'one of several')
        ->fill('Options', "trial\nsurvey")
        ->press('Add to the codebook')
        ->sees('Added to the codebook');
    $tunde->visit('/')->press('to code')->press('Strand B 2012')->sees('Found by hand')->sees('Light level');
    $tunde->driver
        ->findElement(Facebook\WebDriver\WebDriverBy::cssSelector('.code-number'))
        ->sendKeys('1,500'.WebDriverKeys::ENTER);
    $tunde
        ->keys('1')
        ->until(
            fn (): bool => Server::rows('SELECT count(*) AS n FROM standing_answers')[0]['n'] === 2,
            'The second answer was not saved',
        );

    // out, and read back
    $ines
        ->press('Report')
        ->sees("{$publications} publications")
        ->seesNot('do not add up');
    expect(substr_count($ines->download('RIS'), 'TY  - '))->toBe($publications);
    $rows = array_map(
        fn (string $line): array => str_getcsv($line, escape: ''),
        explode("\r\n", trim(substr($ines->visit($ines->path())->download('coding table as CSV') ?: '', 3))),
    );
    expect($rows[0])->toContain('Light level (lux)', 'Design');
    expect(array_merge(...$rows))->toContain('1500', 'trial', "'=A lamp from a drawer");

    // what the report with a copy cites is followed up
    $ines
        ->press('Records')
        ->press('Deliveries')
        ->press('reference lists of included reports')
        ->sees('no full text that could be read')
        ->press('Take the lists that are ticked')
        ->until(
            fn (): bool => Server::rows(
                "SELECT count(*) AS n FROM deliveries WHERE source_kind = 'citation' AND kept = 1 AND state = 'done'",
            )[0]['n'] === 1,
            'The list was not delivered',
        );
    $ines->press('Library')->sees('Drawers and what they hold');
    expect([...$ines->complaints(), ...$tunde->complaints()])->toBe([]);
});
