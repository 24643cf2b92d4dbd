<?php

namespace Tests\Feature\Shared;

use Symfony\Component\Process\Process;

/** @return array{int, string, string} */
function heron(string ...$arguments): array
{
    // as on a machine without any database
    $process = new Process([PHP_BINARY, '-d', 'pcov.enabled=0', base_path('artisan'), ...$arguments], null, [
        'DB_PORT' => '1',
        'APP_CONFIG_CACHE' => '/nonexistent',
    ]);
    $process->run();

    return [$process->getExitCode(), $process->getOutput(), $process->getErrorOutput()];
}

it('converts files, with rejections by line and the right exit code', function () {
    $file = tempnam(sys_get_temp_dir(), 'ris');
    file_put_contents($file, "TY  - JOUR\nTI  - One\nER  - \nTY  - JOUR\nPY  - 2001\nER  - \n");
    [$code, $out, $err] = heron('heron:convert', $file, '--to=csl-json');
    expect($code)
        ->toBe(1)
        ->and(json_decode($out, true)[0]['title'])
        ->toBe('One')
        ->and(trim($err))
        ->toBe(
            "{$file}:4: The record has no title, nor an author, DOI, journal, publisher or note to tell it by. Add a TI line, or leave it out.",
        );
    file_put_contents($file, "TY  - JOUR\nTI  - One\nER  - \n");
    expect(heron('heron:convert', $file, '--to=ris'))->toBe([0, "TY  - JOUR\r\nTI  - One\r\nER  - \r\n\r\n", '']);
    expect(heron('heron:convert', $file, '--to=csv')[1])->toContain('One');
    foreach (
        [
            [$file],
            [$file, '--to=exe'],
            ['/nowhere', '--to=ris'],
            [$file, '--to=ris', '--from=csv'],
            [$file, '--to=ris', '--colour'],
            [],
        ] as $misuse
    ) {
        [$code, $out, $err] = heron('heron:convert', ...$misuse);
        expect($code)->toBe(2)->and($out)->toBe('')->and($err)->not->toBe('');
    }
});

it('translates queries', function () {
    expect(heron('heron:query', 'title:lamp* AND "night shift"', '--to=cql'))->toBe([
        0,
        "dc.title = lamp* and \"night shift\"\n",
        '',
    ]);
    expect(heron('heron:query', 'a or b and c', '--from=cql', '--to=heron')[1])->toBe("(a OR b) AND c\n");
    expect(json_decode(heron('heron:query', 'a NEAR/2 be*', '--tree')[1], true))->toBe([
        'near' => [['word' => 'a'], ['word' => 'be', 'truncated' => true]],
        'distance' => 2,
    ]);
    [$code, , $err] = heron('heron:query', 'age:young', '--to=ccl');
    expect($code)->toBe(1)->and($err)->toContain('no such limit');
    [$code, $out, $err] = heron('heron:query', 'lamp AND', '--to=cql');
    expect([$code, $out])
        ->toBe([2, ''])
        ->and($err)
        ->toContain('Column 9');
});

it('measures agreement from a file', function () {
    $file = tempnam(sys_get_temp_dir(), 'csv');
    file_put_contents(
        $file,
        "rater,item,verdict\nA,1,include\nB,1,include\nA,2,exclude\nB,2,unsure\nA,3,\nA,1,exclude\nB,4,perhaps\n",
    );
    [$code, $out, $err] = heron('heron:agreement', $file, '--categories=include,exclude,unsure');
    $report = json_decode($out, true);
    expect($code)
        ->toBe(1)
        ->and($report['two_raters']['n'])
        ->toBe(2)
        ->and($report['two_raters']['percent_agreement'])
        ->toBe(0.5)
        ->and($report['fleiss'])
        ->toHaveKeys(['n', 'raters', 'p_observed', 'p_expected', 'kappa']);
    expect($err)
        ->toContain("{$file}:7: A has judged 1 already.")
        ->toContain("{$file}:8: “perhaps” is not one of");
    file_put_contents($file, "a,b\n");
    expect(heron('heron:agreement', $file)[0])->toBe(2);
});

it('answers a plain question from references, and says what cannot be used', function () {
    $file = tempnam(sys_get_temp_dir(), 'ris');
    file_put_contents($file, "TY  - JOUR\nID  - a\nTI  - Planned naps of nurses\nAB  - 120 nurses were randomised to a planned nap or to usual breaks. Sleepiness was 1.2 points lower with the nap (95% CI 0.7 to 1.7).\nER  - \nTY  - JOUR\nID  - b\nTI  - Cotton\nAB  - We weighed dust.\nER  - \n");
    $question = 'Does a planned nap reduce sleepiness in nurses?';
    [$code, $out] = heron('heron:scout', $question, $file);
    $rows = array_map(fn (string $line): array => str_getcsv($line, escape: ''), explode("\r\n", trim($out)));
    expect($code)->toBe(0)
        ->and($rows[0])->toBe(['rank', 'record_id', 'score', 'sentence', 'direction', 'confidence', 'reason'])
        ->and([$rows[1][1], $rows[1][4], $rows[2][1], $rows[2][3]])->toBe(['a', 'less', 'b', '']);
    [$code, $out] = heron('heron:scout', 'Which instruments measure strain?', $file, '--named=instrument');
    expect([$code, trim($out)])->toBe([0, 'name,variants,papers,ids,definition']);
    expect(heron('heron:scout', $question, $file, '--named=colour')[0])->toBe(2)
        ->and(heron('heron:scout', $question, "{$file}.gone")[0])->toBe(2)
        ->and(heron('heron:scout', 'What is it?', $file)[0])->toBe(2);
    unlink($file);
});
