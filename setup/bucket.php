<?php

// Makes the bucket of the cluster drill where it is not there yet; the store takes some seconds to be ready.
// STORE_SECRET=… php setup/bucket.php ADDRESS

require __DIR__.'/../vendor/autoload.php';

$client = new Aws\S3\S3Client([
    'region' => 'eu-drill-1',
    'endpoint' => $argv[1],
    'use_path_style_endpoint' => true,
    'credentials' => ['key' => 'drill:app', 'secret' => (string) getenv('STORE_SECRET')],
    'retries' => 0,
]);
for ($left = 60; ; $left--) {
    try {
        $client->createBucket(['Bucket' => 'heron']);
        break;
    } catch (Aws\S3\Exception\S3Exception $why) {
        if ($why->getAwsErrorCode() === 'BucketAlreadyOwnedByYou') {
            break;
        }
        $left > 0 || exit("{$why->getMessage()}\n");
        usleep(500_000);
    }
}
