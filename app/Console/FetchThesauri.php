<?php

declare(strict_types=1);

namespace App\Console;

use App\Actions\Searches\LoadScheme;
use App\Sources\Sources;
use Illuminate\Console\Command;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\Http;
use WaryHeron\Core\Vocabulary\BadScheme;

/** Brings the thesauri in that the sources publish, where they are new or have changed. */
final class FetchThesauri extends Command
{
    protected $signature = 'heron:thesauri';

    protected $description = 'Bring in the thesauri that the databases publish';

    public function handle(LoadScheme $load, Sources $sources): int
    {
        $failed = false;
        foreach ($sources->names() as $key => $name) {
            $address = config("heron.sources.{$key}.thesaurus");
            if (! is_string($address)) {
                continue;
            }
            try {
                $answer = Http::timeout(60)->get($address)->throw();
                $scheme = $load->publish($key, "{$name} headings", $answer->body());
                $this->info("{$name}: ".number_format($scheme->size).' headings.');
            } catch (ConnectionException|\Illuminate\Http\Client\RequestException|BadScheme $failure) {
                $this->error("{$name}: {$failure->getMessage()} What was there before is kept.");
                $failed = true;
            }
        }

        return $failed ? self::FAILURE : self::SUCCESS;
    }
}
