<?php

use Illuminate\Contracts\Encryption\Encrypter;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Jobs moved into folders of their areas: what waits in the queue over the upgrade is told its new name. */
return new class extends Migration
{
    private const MOVED = [
        'AddThesaurus' => 'Searches\AddThesaurus',
        'DeliverFile' => 'Deliveries\DeliverFile',
        'FetchFullTexts' => 'FullTexts\FetchFullTexts',
        'FetchRecords' => 'Searches\FetchRecords',
        'JoinCertain' => 'Matching\JoinCertain',
        'LookAtTable' => 'Deliveries\LookAtTable',
        'MatchRecords' => 'Matching\MatchRecords',
        'RankItems' => 'Screening\RankItems',
        'ReadFullText' => 'FullTexts\ReadFullText',
        'ReadRejectedAgain' => 'Deliveries\ReadRejectedAgain',
        'SendResetLink' => 'Team\SendResetLink',
        'TaskSlice' => 'Deliveries\DeliverySlice',
    ];

    public function up(): void
    {
        $this->rename(self::MOVED);
    }

    public function down(): void
    {
        $this->rename(array_flip(self::MOVED));
    }

    /** @param  array<string, string>  $names old to new, below App\Jobs */
    private function rename(array $names): void
    {
        foreach (['jobs', 'failed_jobs'] as $table) {
            foreach (DB::table($table)->select('id', 'payload')->lazyById() as $row) {
                DB::table($table)
                    ->where('id', $row->id)
                    ->update(['payload' => $this->payload((string) $row->payload, $names)]);
            }
        }
    }

    /** @param  array<string, string>  $names */
    private function payload(string $payload, array $names): string
    {
        $job = json_decode($payload, true, 512, JSON_THROW_ON_ERROR);
        $class = substr((string) ($job['data']['commandName'] ?? ''), strlen('App\Jobs\\'));
        if (! isset($names[$class])) {
            return $payload;
        }
        $job['data']['commandName'] = $job['displayName'] = 'App\Jobs\\'.$names[$class];
        $command = (string) $job['data']['command'];
        if (str_starts_with($command, 'O:')) {
            $job['data']['command'] = $this->command($command, $names);
        } else {
            $hidden = app(Encrypter::class);
            $job['data']['command'] = $hidden->encrypt($this->command((string) $hidden->decrypt($command), $names));
        }

        return json_encode($job, JSON_THROW_ON_ERROR);
    }

    /**
     * The class itself, and the properties that are private to it or to its parent: their names hold the class.
     *
     * @param  array<string, string>  $names
     */
    private function command(string $serialized, array $names): string
    {
        $told = preg_replace_callback(
            '/(O|s):\d+:"(\0?)App\\\\Jobs\\\\([\w\\\\]+)((?:\0\w+)?)"/',
            static function (array $found) use ($names): string {
                $name = $found[2].'App\Jobs\\'.($names[$found[3]] ?? $found[3]).$found[4];

                return $found[1].':'.strlen($name).":\"{$name}\"";
            },
            $serialized,
        );

        return (string) $told;
    }
};
