<?php

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Browser;
use Tests\Browser\Server;

/** @return list<string> the terms on the board, in order */
function termsOf(Browser $person): array
{
    return array_map(
        fn ($term): string => preg_replace('/^(?:◇|Heading|\s)+/u', '', trim($term->getText())),
        array_values(
            array_filter(
                $person->driver->findElements(WebDriverBy::cssSelector('[data-term]')),
                fn ($one): bool => $one->isDisplayed(),
            ),
        ),
    );
}

it(
    'builds a strategy from the question with keyboard and mouse, translates it, mends what it loses, runs it and brings the records in',
    function () {
        Server::fresh();
        Server::addPerson('Mirela Haas', 'mirela@heron.example');
        Server::thesauri();
        $mirela = Browser::open()->signIn('mirela@heron.example', 'a long password');
        $mirela
            ->press('Start a review')
            ->fill('Short title', 'Light at night')
            ->fill('Question', 'Does light help hospital staff at night?')
            ->press('Start the review');
        $mirela
            ->fill('Population', 'Hospital staff at night')
            ->fill('Intervention', 'Bright light')
            ->press('Save the question')
            ->sees('The question is saved');
        $mirela
            ->press('Searches')
            ->press('New strategy')
            ->sees('Concept 1')
            ->press('Build the board')
            ->sees('The question names no outcome')
            ->sees('has no term yet');

        // what the help names opens in the thesaurus beside the board
        $hint = $mirela->driver->findElement(WebDriverBy::cssSelector('.help-line .tag-button'));
        $named = $hint->getText();
        $hint->click();
        $opened = fn (): ?string => $mirela->driver->executeScript('return document.querySelector(".heading-name")?.textContent');
        $mirela->until(fn (): bool => $opened() === $named, "“{$named}” was not opened");

        // a term by key, a list by paste, a phrase without quotation marks
        $first = fn () => $mirela->driver->findElements(WebDriverBy::cssSelector('.board-add [data-term-field]'));
        $first()[0]->sendKeys('rota*'.WebDriverKeys::ENTER);
        $mirela->until(fn (): bool => termsOf($mirela) === ['rota*'], 'The term is not on the board');
        $first()[0]->sendKeys('night shift'.WebDriverKeys::ENTER);
        $mirela->until(
            fn (): bool => termsOf($mirela) === ['rota*', '"night shift"'],
            'Two words did not become a phrase',
        );
        $first()[1]->sendKeys('lux OR visor*'.WebDriverKeys::ENTER);
        $mirela
            ->until(fn (): bool => count(termsOf($mirela)) === 4, 'The synonyms were not taken apart')
            ->sees('1 AND 2');

        // while a term is typed, headings that go on from it are offered, with what it finds; one is ticked by key
        $first()[1]->sendKeys('visor');
        $mirela->sees('Light visors')->sees('in Alder');
        $first()[1]->sendKeys(WebDriverKeys::ARROW_DOWN);
        $mirela->driver->switchTo()->activeElement()->sendKeys(' ');
        $mirela
            ->press('Add the one ticked')
            ->until(fn (): bool => count(termsOf($mirela)) === 5, 'What was ticked was not added');
        $mirela->press('Undo')->until(fn (): bool => count(termsOf($mirela)) === 4, 'It was not undone');

        // a heading found by a word, with its caution, put into the second concept with a branch left out
        $words = $mirela->driver->findElement(WebDriverBy::id('words'));
        $words->sendKeys('phase shift');
        $mirela->sees('This word means several things')->sees('Phase shift, physics');
        $words->clear();
        $words->sendKeys('illuminance');
        $mirela
            ->sees('Light exposure')
            ->press('Light exposure')
            ->sees('with its 7 narrower')
            ->sees('Light reaching the eyes');
        $first()[1]->click();
        $mirela->driver
            ->findElement(
                WebDriverBy::xpath(
                    '//li[contains(@class,"tree-line")][.//button[normalize-space()="Red light"]]//input',
                ),
            )
            ->click();
        $mirela->press('Add to');
        $mirela
            ->until(fn (): bool => in_array('Light exposure', termsOf($mirela), true), 'The heading is not on the board')
            ->sees('+ narrower, less 1');

        // up and over into the first concept by key, and back with undo
        $mirela->driver
            ->findElement(WebDriverBy::xpath('//button[@data-term][contains(.,"lux")]'))
            ->sendKeys(WebDriverKeys::ALT.WebDriverKeys::ARROW_UP);
        $mirela->until(
            fn (): bool => termsOf($mirela)[2] === 'lux' && str_contains($mirela->text(), 'Moved a term'),
            'The term did not move',
        );
        expect(
            Server::rows(
                "SELECT content->'lines'->3->>'text' AS union FROM strategy_revisions ORDER BY number DESC LIMIT 1",
            )[0]['union'],
        )->toBe('any(#1-#3)');
        $mirela
            ->press('Undo')
            ->until(
                fn (): bool => Server::rows('SELECT head FROM strategies')[0]['head'] <
                    (int) Server::rows('SELECT max(number) AS n FROM strategy_revisions')[0]['n'],
                'Undo did nothing',
            );

        // by mouse: a term is dropped on one of the other concept
        $before = termsOf($mirela);
        $mirela->driver->executeScript(
            <<<'JS'
            const row = (words) => [...document.querySelectorAll('.board-term')].find((one) => one.textContent.includes(words));
            const carried = new DataTransfer();
            row('visor*').dispatchEvent(new DragEvent('dragstart', { bubbles: true, dataTransfer: carried }));
            row('rota*').dispatchEvent(new DragEvent('drop', { bubbles: true, cancelable: true, dataTransfer: carried }));
            JS
            ,
        );
        $mirela
            ->until(
                fn (): bool => array_slice(termsOf($mirela), 0, 2) === ['visor*', 'rota*'],
                'The term was not dropped where it was meant to go',
            )
            ->press('Undo')
            ->until(fn (): bool => termsOf($mirela) === $before, 'It did not go back');

        // by key alone: a concept is begun and given up again, and the sheet of keys tells
        $mirela->driver->executeScript('document.activeElement.blur()');
        $mirela
            ->keys('n')
            ->until(
                fn (): bool => $mirela->driver->switchTo()->activeElement()->getAttribute('aria-label') ===
                    'Name of the new concept',
                'N does not begin a concept',
            );
        $mirela
            ->keys('Outcome', WebDriverKeys::ENTER)
            ->sees('Outcome')
            ->until(
                fn (): bool => str_contains(
                    (string) $mirela->driver->switchTo()->activeElement()->getAttribute('aria-label'),
                    'Add a term to Outcome',
                ),
                'The new concept does not take a term at once',
            );
        $mirela->driver->executeScript('document.activeElement.blur()');
        $mirela
            ->keys('z')
            ->until(fn (): bool => ! str_contains($mirela->text(), '3 Outcome'), 'Z does not undo')
            ->keys('t')
            ->until(
                fn (): bool => $mirela->driver->switchTo()->activeElement()->getAttribute('id') === 'words',
                'T does not go to the thesaurus',
            );
        $mirela->driver->executeScript('document.activeElement.blur()');
        $mirela->keys('?')->sees('Move it, also into the next concept')->keys(WebDriverKeys::ESCAPE);

        // a limit that one database lacks
        $mirela->press('Add a limit');
        $mirela->driver->findElement(WebDriverBy::cssSelector('[aria-label="From year"]'))->sendKeys('1995');
        $mirela->press('Limit')->sees('Limit: year:1995-')->sees('Fen has no such limit');
        $mirela->until(fn (): bool => str_contains($mirela->text(), 'Saved. Last:'), 'Counting did not end');
        expect(
            $mirela->driver->executeScript(
                'return [...document.querySelectorAll("td.number")].filter((cell) => cell.textContent.includes("…")).length',
            ),
        )->toBe(0);

        // the same as lines; a reload keeps it
        $mirela->press('Lines')->sees('The result: what is fetched')->visit($mirela->path());
        $mirela->until(
            fn (): bool => count($mirela->driver->findElements(WebDriverBy::cssSelector('.line-text'))) === 9,
            'The lines are not those of the board',
        );

        // translation: a heading of another thesaurus is confirmed
        $mirela
            ->press('Translation')
            ->sees('not a heading of this thesaurus')
            ->press('It is “Light interventions”')
            ->sees('is “Light interventions” here, as confirmed');

        // a known item that is lost, and the word that catches it
        $lost = Server::alder(
            "select body->>'title' as title from alder.records join alder.records_text using (number) where words @@ '''daylight'':A'::tsquery and not words @@ '(''lux'' | ''visor'':*)'::tsquery and headings = '{}' limit 1",
        );
        $lost =
            $lost[0]['title'] ??
            Server::alder(
                "select body->>'title' as title from alder.records join alder.records_text using (number) where words @@ '''light'':A & !''night'' & !''rota'':*'::tsquery and year > 1995 limit 1",
            )[0]['title'];
        $mirela
            ->press('Known items')
            ->fill('References, titles or DOIs', $lost)
            ->press('Add them')
            ->sees('1 known item added')
            ->sees('loses it');
        $mirela->one('//button[starts-with(normalize-space(),"Add ") and contains(@class,"tag-button")]')->click();
        $mirela->until(
            fn (): bool => count(
                json_decode(
                    Server::rows('SELECT content FROM strategy_revisions ORDER BY number DESC LIMIT 1')[0]['content'],
                    true,
                )['lines'],
            ) === 10,
            'The word was not added',
        );

        // the check, and a run in three databases, brought in
        $mirela->press('Check')->until(fn (): bool => str_contains($mirela->text(), 'remark'), 'The check says nothing');
        $mirela->press('Runs')->tick('fetch all records')->press('Run version 1');
        $mirela->until(
            fn (): bool => (int) Server::rows("SELECT count(*) AS n FROM deliveries WHERE state = 'done'")[0]['n'] === 3,
            'Three deliveries did not end',
        );
        [$found, $kept] = [
            (int) Server::rows('SELECT sum(total) AS n FROM runs')[0]['n'],
            (int) Server::rows('SELECT sum(kept) AS n FROM deliveries')[0]['n'],
        ];
        expect($found)->toBe($kept)->toBeGreaterThan(30);
        $mirela->press('Search report')->sees('Full strategies')->sees('not applied: the database has no such limit');
        expect($mirela->complaints())->toBe([]);
    },
);

it('mends what the check remarks, takes headings over from what was found, and opens the tops of a thesaurus, by mouse', function () {
    Server::demo();
    $strategy = Server::rows("SELECT review_id, id FROM strategies WHERE name LIKE 'Errors%'")[0];
    $at = "/reviews/{$strategy['review_id']}/searches/{$strategy['id']}";
    $terms = fn (): string => Server::rows(
        "SELECT content->>'lines' AS lines FROM strategy_revisions WHERE strategy_id = '{$strategy['id']}' ORDER BY number DESC LIMIT 1",
    )[0]['lines'];
    $mirela = Browser::open()->signIn('mirela.haas@heron.example', 'night-shift-demo');

    expect($terms())->toContain('Night work');
    $mirela
        ->visit("{$at}/check")
        ->press('Take it off')
        ->until(fn (): bool => ! str_contains($terms(), 'Night work'), 'The idle heading is still there');

    $mirela->visit("{$at}/results");
    $heading = $mirela->driver->findElement(WebDriverBy::cssSelector('[data-text^="heading:"]'));
    [$label, $count] = [trim($heading->getText()), substr_count($terms(), 'heading:')];
    $mirela->driver->executeScript('arguments[0].scrollIntoView({block: "center"})', [$heading]);
    $heading->click();
    $mirela->until(fn (): bool => substr_count($terms(), 'heading:') === $count + 1, "“{$label}” was not added");
    expect($terms())->toContain('heading:\"'.strtok($label, '/'));

    $mirela->visit("/reviews/{$strategy['review_id']}/thesauri");
    $top = $mirela->driver->findElement(WebDriverBy::cssSelector('.tree-line button'));
    $label = trim($top->getText());
    $top->click();
    $opened = fn (): ?string => $mirela->driver->executeScript('return document.querySelector(".heading-name")?.textContent');
    $mirela->until(fn (): bool => $opened() === $label, "“{$label}” was not opened");
    expect($mirela->complaints())->toBe([]);
});

/** @return list<string> what the strategy comes to, line by line */
function linesOf(string $strategy): array
{
    $rows = Server::rows(
        "SELECT line->>'text' AS text FROM strategies JOIN strategy_revisions r ON r.strategy_id = strategies.id AND r.number = strategies.head
         CROSS JOIN LATERAL jsonb_array_elements(r.content::jsonb->'lines') AS line WHERE strategies.id = '{$strategy}'",
    );

    return array_column($rows, 'text');
}

it('explains each word of the board, writes a term by a small form, and leads from a heading that is none to its mapping and back', function () {
    Server::demo();
    $strategy = Server::rows("SELECT review_id, id FROM strategies WHERE name LIKE 'Light on%'")[0];
    $board = "/reviews/{$strategy['review_id']}/searches/{$strategy['id']}";
    $mirela = Browser::open()->signIn('mirela.haas@heron.example', 'night-shift-demo')->visit($board);
    $words = fn (string $where): array => array_values(array_unique(array_filter(array_map(
        fn ($one): string => trim($one->getText()),
        $mirela->driver->findElements(WebDriverBy::cssSelector($where)),
    ))));

    $mirela->sees('carries')->press('What the words and bars mean')->sees('more than half of all that this concept finds')
        ->sees('more than 60 % of what this concept finds comes by it alone');
    expect($words('.board-legend dt'))->toContain('floods', 'map it', 'bar', ...$words('.verdict-word'));

    // words, how they stand together, where: the form says what it comes to before it is added
    $mirela->press('By a form')->fill('Words', 'ward lamp')->choose('Together', 'near each other, in any order')
        ->fill('At most so many words apart', '5')->choose('Where', 'title or abstract')->tick('with any ending')
        ->sees('title,abstract:(ward* NEAR/5 lamp*)')->press('Add it');
    $mirela->until(
        fn (): bool => in_array('title,abstract:(ward* NEAR/5 lamp*)', linesOf($strategy['id']), true),
        'What the form said is not on the board',
    );

    // from the cell of the heading that this database has not, to what stands for it there
    $cell = '//a[@aria-label="Rota systems is no heading of Alder: map it"]';
    $mirela->one($cell)->click();
    $mirela->sees('Each line as every database is asked it');
    $row = "//tr[@id='".substr((string) strrchr((string) $mirela->driver->getCurrentURL(), '#'), 1)."']";
    expect($mirela->one($row)->getText())->toContain('Rota systems');
    $confirm = $mirela->one("{$row}//button[starts-with(normalize-space(), 'It is “')]");
    $label = trim($confirm->getText(), 'It is“”');
    $confirm->click();
    $mirela->sees("is “{$label}” here, as confirmed")->visit($board)->sees('Rota systems');
    $mirela->until(
        fn (): bool => ! $mirela->driver->findElement(WebDriverBy::xpath($cell))->isDisplayed(),
        'The board still says that it is no heading there',
    );

    // and it is looked at again, and taken back
    $mirela->visit("{$board}/translation")->one("{$row}//button[@aria-label='Take back that “Rota systems” is “{$label}”']")->click();
    $mirela->until(fn (): bool => str_contains($mirela->one($row)->getText(), "It is “{$label}”"), 'It was not taken back')
        ->visit($board)->one($cell);
    expect($mirela->complaints())->toBe([]);
});

it('suggests in the first form too: what a synonym finds, a heading to tick, and builds the board of both', function () {
    Server::demo();
    $review = Server::rows('SELECT review_id AS id FROM strategies ORDER BY id LIMIT 1')[0]['id'];
    $mirela = Browser::open()->signIn('mirela.haas@heron.example', 'night-shift-demo')->visit("/reviews/{$review}/searches/new");
    // the concepts stand there in the words of the question
    $mirela->fill('Name', 'By hand')->sees('Concept 2');
    $concept = fn (int $at): string => (string) $mirela->one("//input[@id='block-{$at}']")->getDomProperty('value');
    expect($concept(0))->toContain('night')->and($concept(1))->toContain('light');
    $second = $mirela->one('//textarea[@aria-label="Synonyms of concept 2"]');
    $second->sendKeys('lux OR visor');
    $mirela->sees('“visor” finds')->sees('in Alder')->sees('Light visors');
    $second->sendKeys(WebDriverKeys::ARROW_DOWN);
    $mirela->driver->switchTo()->activeElement()->sendKeys(' ');
    $mirela->press('Add the one ticked');
    expect($second->getDomProperty('value'))->toBe("lux\nvisor\nheading:\"Light visors\"");
    $mirela->press('Build the board')->sees('What the words and bars mean');
    $strategy = Server::rows("SELECT id FROM strategies WHERE name = 'By hand'")[0]['id'];
    expect(linesOf($strategy))->toContain('lux', 'visor', 'heading:"Light visors"');
    expect($mirela->complaints())->toBe([]);
});
