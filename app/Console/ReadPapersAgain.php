<?php

declare(strict_types=1);

namespace App\Console;

use App\Jobs\FullTexts\ReadPages;
use App\Models\FullText;
use Illuminate\Console\Command;

/** For when the reader of papers has improved. Evidence keeps its words; what it stands on is looked up as it is shown. */
final class ReadPapersAgain extends Command
{
    protected $signature = 'heron:papers {--review= : one review’s only}';

    protected $description = 'Have the pages of all papers read anew, in the background';

    public function handle(): int
    {
        $copies = FullText::query()->where('state', 'read')->whereNull('taken_out_at');
        if (is_string($this->option('review'))) {
            $copies->where('review_id', $this->option('review'));
        }
        $count = 0;
        foreach ($copies->orderBy('id')->select('id')->lazyById(500) as $copy) {
            ReadPages::dispatch($copy->id);
            $count++;
        }
        $this->info(number_format($count).($count === 1 ? ' paper is' : ' papers are').' read anew in the background.');

        return self::SUCCESS;
    }
}
